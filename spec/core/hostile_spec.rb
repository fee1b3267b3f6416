require "nokogiri"
require "support/hostile"

RSpec.describe "Files that mean harm" do
  def read(body) = Magpie::Artwork.read(Hostile.svg(body), name: "moor.svg")

  def processor_time = Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID)

  # What is asked here is what work is counted, whatever the speed of the machine.
  before { stub_const("Magpie::Limits::SECONDS", 120) }

  Hostile::COSTLY.each do |what, (body, message)|
    it "are refused before the work is done: #{what}" do
      expect { read(body) }.to raise_error(Magpie::Error, /\Amoor\.svg:? #{Regexp.escape(message)}\z/)
    end
  end

  Hostile::CHEAP.each do |what, (body, parts)|
    it "are read where little needs to be done: #{what}" do
      expect(read(body).parts.size).to eq parts
    end
  end

  it "are refused where a DOCTYPE has no end, is none of one, or is large" do
    {"<!DOCTYPE" * 1_000_000 + "<svg " => /has a DOCTYPE that does not end/, "<!DOCTYPE svg [" + "] " * 1_000_000 + "<svg " => /has a DOCTYPE that does not end/, "<!DOCTYPE svg><!doctype svg><svg/>" => /or more than one/,
     "<!DOCTYPE svg [#{"<!ENTITY a 'x'> " * 20_000}]><svg/>" => /that can be a trap/}.each do |text, message|
      expect { Magpie::Artwork.read(text, name: "moor.svg") }.to raise_error(Magpie::Error, message)
    end
    expect(Magpie::Artwork.read(%(<!DOCTYPE svg PUBLIC "a" "b" [ <!ENTITY ink "#23]1F55"> ] ><svg width="9" height="9"><rect width="9" height="9"/></svg>)).parts.size).to eq 1
  end

  # Libraries quote what they stumbled on, and cut it after so many bytes.
  it "are told in whole letters where they are damaged" do
    %w[é aé aaé aaaé].each do |letters|
      expect { Magpie::Artwork.read("<svg><!--#{letters}#{"é" * 100}", name: "moor.svg") }.to raise_error(Magpie::Error) { |error|
        expect(error.message).to be_valid_encoding
        expect(error.message).to start_with("moor.svg is damaged at line 1: Comment not terminated")
      }
    end
    expect(Magpie::Picture::Vips.reason("dusk\xFF: premature end of file")).to eq "it ends too early, a part of the file is missing"
  end

  it "ask for nothing outside once they are in, whatever way they tried, and stay as they are when read again" do
    Hostile.asking(Hostile::ADDRESS).each do |what, svg|
      artwork = Magpie::Artwork.read(svg, name: "moor.svg")
      flat = Magpie::Painters::Flat.of(artwork)
      expect(flat).not_to match(/quillmere|javascript|onload|<script|foreign/), "#{what}: #{flat}"
      expect(Nokogiri::XML(flat).errors).to be_empty, what
      expect(Magpie::Painters::Outgoing.checked(flat)).to eq flat
      expect(Magpie::Artwork::Renewed.of(artwork.template)).to eq artwork.template
    end
  end

  it "are stopped at the door out, should one ever come that far" do
    Hostile.asking(Hostile::ADDRESS).each do |what, svg|
      next if what == "characters that are ours" || what == "a string with a semicolon"
      text = Nokogiri::XML(svg).root.to_xml.sub('xmlns:xlink="http://www.w3.org/1999/xlink" ', "")
      expect { Magpie::Painters::Outgoing.checked(text) }.to raise_error(Magpie::Error, /was not given out: it holds/), what unless what == "sheet before the root"
    end
  end

  it "cannot put in paint where there is no place, nor break what is written" do
    mark = Magpie::Artwork::Identifiers::MARK
    artwork = read(%(<text> data-part="r" data-part="#{mark}r" &#xE001; data-space="preserve"</text><rect id="r" width="9" height="9" fill="red"/><linearGradient id="a&lt;b&gt;&amp;c"><stop stop-color="#E46F58"/></linearGradient><circle id="c" r="3" fill="url(#a&lt;b&gt;&amp;c)"/>))
    document = Nokogiri::XML(Magpie::Painters::Flat.of(artwork))
    expect(document.errors).to be_empty
    expect(document.at_css("text").text).to eq ' data-part="r" data-part="r"  data-space="preserve"'
    expect(document.at_css("circle")["fill"]).to eq "url(##{document.at_css("linearGradient")["id"]})"
  end

  it "writes text as text, since a page has other rules than a file" do
    artwork = read("<text><![CDATA[</text></svg><img src=x onerror=go()>]]></text>")
    expect(artwork.template).to include("&lt;/text&gt;&lt;/svg&gt;&lt;img src=x onerror=go()&gt;")
    expect(artwork.parts.first.label).to eq "“</text></svg><img src=x onerror=go()>”"
  end

  it "writes styles anew from what was parsed" do
    artwork = read(%(<rect id="r" width="9" height="9" style="FILL:RED; position:fixed; inset:0; stroke : rgb( 1, 2 ,3 ) ; font-family: 'Moor &amp; Dusk', cursive; mix-blend-mode:multiply; behavior:x; stroke-dasharray: 1,2 3; unknown:1; stroke-width: calc( 1px + 2px )"/>))
    rect = Nokogiri::XML(artwork.template).at_css("rect")
    expect(rect["style"]).to eq "mix-blend-mode:multiply"
    expect(rect.to_h).to include("font-family" => "'Moor & Dusk', cursive", "stroke-dasharray" => "1,2 3", "stroke-width" => "calc(1px + 2px)")
    expect(rect.to_h.keys).not_to include("position", "inset", "behavior", "unknown")
  end

  it "matches selectors as the standard says" do
    artwork = read(<<~SVG)
      <style>
        g > rect:first-child{fill:#111} g rect:nth-child(2n+1){stroke:#222} rect + rect{fill:#333} rect ~ rect.z{fill:#444}
        [id^=last]:not(.z){fill:#555} rect:is(.q,.w){fill:#666!important} :where(#b){fill:#777} rect:hover{fill:#888} rect::before{fill:#999}
        rect:last-of-type{stroke:#AAA} circle:only-of-type{fill:#BBB} g:empty{fill:#CCC} [class~="w"][id=e]{stroke:#DDD} a|b{fill:red} svg rect#f{fill:#EEE} #f{fill:#000}
      </style>
      <g><rect id="a" width="1" height="1"/><rect id="b" width="1" height="1"/><rect id="c" class="z" width="1" height="1"/><rect id="d" class="q" width="1" height="1"/></g>
      <rect id="e" class="w v" width="1" height="1"/><circle id="last" r="1"/><rect id="f" width="1" height="1"/>
    SVG
    held = artwork.places.to_h { |place| [[place.part, place.role], place.paint.shown&.hex || place.paint.kind] }
    expect(%w[a b c d e last f].map { |key| held[[key, "fill"]] }).to eq %w[#111111 #333333 #444444 #666666 #666666 #555555 #EEEEEE]
    expect(%w[a b c d e last f].map { |key| held[[key, "line"]] }).to eq ["#222222", :none, "#222222", "#AAAAAA", "#DDDDDD", :none, "#AAAAAA"]
    expect(artwork.dropped.map { |line| line[/“.*”/] }).to eq ["“rect:hover”", "“rect::before”", "“a|b”"]
  end

  it "spend the time of this thread and no more" do
    budget = Magpie::Limits::Budget.new(seconds: 0.05, steps: 1_000_000_000)
    start = processor_time
    expect { loop { budget.spend(:steps) } }.to raise_error(Magpie::Error, "it takes longer than 0.05 seconds to read")
    expect(processor_time - start).to be_between(0.05, 5)
  end
end
