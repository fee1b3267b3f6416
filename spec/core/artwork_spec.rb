RSpec.describe Magpie::Artwork do
  def svg(body, attributes = 'width="100" height="100"') = %(<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" #{attributes}>#{body}</svg>)

  def read(body, ...) = described_class.read(svg(body, ...), name: "moor.svg")

  def held(artwork) = artwork.places.to_h { |place| [[place.part, place.role], place.paint.shown&.hex || place.paint.server || place.paint.kind] }

  # The mean difference of two drawings as librsvg paints them, 0..255.
  def difference(one, two)
    images = [one, two].map { |text| Vips::Image.svgload_buffer(text, scale: 2).flatten(background: 128) }
    (images[0] - images[1]).abs.avg
  end

  describe "paint" do
    it "comes from attributes, style, classes, inheritance and currentColor" do
      artwork = read(<<~SVG)
        <style>.a{fill:#0A0} #k .b{stroke:var(--edge, teal);fill:hsl(0 100% 50%)} :root{--edge:#00F} rect{fill:gold!important} .c{fill:red}</style>
        <g fill="#123" color="rebeccapurple" id="k">
          <path id="one" d="M0 0H9V9Z"/><path id="two" class="a" d="M0 0H9V9Z"/><path id="three" class="b" d="M0 0H9V9Z"/>
          <path id="four" style="fill:#0ff;fill-opacity:.5" d="M0 0H9V9Z"/><path id="five" fill="currentColor" d="M0 0H9V9Z"/>
          <rect id="six" class="c" width="9" height="9"/><line id="seven" x2="9" stroke="#00000080"/>
        </g><circle id="eight" r="4"/><path id="unseen" fill="none" d="M0 0H9"/>
      SVG
      expect(held(artwork)).to include(
        ["one", "fill"] => "#112233", ["two", "fill"] => "#00AA00", ["three", "fill"] => "#FF0000", ["three", "line"] => "#0000FF",
        ["four", "fill"] => "#00FFFF80", ["five", "fill"] => "#663399", ["six", "fill"] => "#FFD700", ["seven", "fill"] => :none,
        ["seven", "line"] => "#00000080", ["eight", "fill"] => "#000000", ["eight", "line"] => :none
      )
      expect(artwork.parts.map(&:key)).not_to include("unseen")
    end

    it "ranks rules by specificity and order, whatever kind of selector matches" do
      artwork = read('<style>#one{fill:#111} rect.a{fill:#222} .a{fill:#333} rect{fill:#444} g .b{fill:#555} .b{fill:#666} .c{fill:#777} .c{fill:#888} circle.a{fill:#999}</style><rect id="one" class="a" width="1" height="1"/><rect id="two" class="a" width="1" height="1"/><g><rect id="three" class="b" width="1" height="1"/></g><rect id="four" class=" c  d " width="1" height="1"/><rect id="five" width="1" height="1"/>')
      expect(%w[one two three four five].map { |key| held(artwork)[[key, "fill"]] }).to eq %w[#111111 #222222 #555555 #888888 #444444]
    end

    it "gives every instance of a symbol parts of its own" do
      artwork = read('<symbol id="star" viewBox="0 0 2 2"><path d="M0 0H2V2Z" fill="#FFCE5C"/></symbol><use xlink:href="#star" width="9" height="9"/><g fill="red"><use href="#star" x="20"/></g><use href="#none"/>')
      expect(artwork.parts.size).to eq 2
      expect(artwork.parts.map(&:key).uniq.size).to eq 2
      expect(artwork.dropped).to eq ["line 1: use of #none, which is not in the file"]
    end

    it "makes the stops of gradients in use places, through their chains" do
      artwork = read('<defs><linearGradient id="a"><stop offset="0" stop-color="#F00"/><stop offset="1" style="stop-color:#00F;stop-opacity:.5"/></linearGradient><linearGradient id="b" xlink:href="#a"/><radialGradient id="spare"><stop stop-color="lime"/></radialGradient></defs><rect id="sky" width="9" height="9" fill="url(#b)"/>')
      expect(held(artwork)).to include(["a/stop1", "stop"] => "#FF0000", ["a/stop2", "stop"] => "#0000FF80", ["sky", "fill"] => "url(#b)")
      expect(artwork.colours.map(&:first)).not_to include("#00FF00")
    end

    it "follows CSS where a reference points at nothing, a group is hidden, or a sheet is for print" do
      artwork = read('<style media="print">rect{fill:lime}</style><rect id="back" width="9" height="9" fill="url(#gone) #E46F58"/><rect id="bare" width="9" height="9" fill="url(#gone)" stroke="red"/><g visibility="hidden"><rect width="9" height="9"/><circle id="back_again" visibility="visible" r="3"/></g>')
      expect(held(artwork)).to include(["back", "fill"] => "#E46F58", ["bare", "fill"] => :none, ["back_again", "fill"] => "#000000")
      expect(artwork.parts.size).to eq 3
    end

    it "keeps links inside text as text" do
      expect(read('<text>To the <a href="http://quillmere.example"><tspan fill="red">moor</tspan></a></text>').template).to include("<tspan><tspan")
    end

    it "sizes a drawing that names none by what it paints" do
      artwork = described_class.read('<svg xmlns="http://www.w3.org/2000/svg"><rect width="70" height="30"/></svg>')
      expect([artwork.width, artwork.height]).to eq [70.0, 30.0]
    end

    it "names parts by title, identifier, words or kind" do
      artwork = read('<g id="night_sky"><path d="M0 0H9V9Z"/></g><rect id="emberBand" width="9" height="9"/><circle r="2"><title>North star</title></circle><text>Night Open</text><path id="path123" d="M0 0V9H9Z"/>')
      expect(artwork.parts.map(&:label)).to eq ["Shape 1 in Night sky", "Ember band", "North star", "“Night Open”", "Shape 1"]
    end

    it "keeps its keys when the same file is read again" do
      body = '<g><g><rect width="1" height="1"/></g><rect id="r" width="1" height="1"/></g>'
      expect(read(body).parts.map(&:key)).to eq read(body).parts.map(&:key)
    end
  end

  describe "safety" do
    it "leaves out what runs, loads or points outside, and says where" do
      artwork = read(<<~SVG)
        <script>alert(1)</script><rect width="9" height="9" onclick="go()" fill="red"/>
        <image href="http://quillmere.example/x.png" width="9" height="9"/>
        <a href="javascript:go()"><circle r="3"/></a>
        <foreignObject><div xmlns="http://www.w3.org/1999/xhtml">x</div></foreignObject>
        <rect width="1" height="1" style="fill:url(http://quillmere.example/f)"/><rect width="1" height="1" filter="url('//x#y')"/>
        <style>@import url(x.css); circle{fill:u\\72l(http://x)}</style><animate attributeName="href"/>
        <use href="other.svg#a"/><iframe src="x"/>
      SVG
      expect(artwork.template).not_to match(/script|onclick|http:(?!\/\/www\.w3\.org\/2000\/svg)|javascript|foreignObject|import|animate|iframe|\/\/x/)
      ["script element", "event handler onclick", "external image", "foreignObject element", "fill that points outside the file",
        "filter that points outside the file", "@import", "animate element", "use that points outside the file"].each do |what|
        expect(artwork.dropped).to include(a_string_including(what))
      end
      expect(artwork.dropped).to include("line 1: script element")
    end

    it "keeps pictures that are in the file itself" do
      expect(read('<image width="4" height="4" href="data:image/png;base64,iVBORw0KGgo="/>').template).to include("data:image/png")
      expect(read('<image width="4" height="4" href="data:image/svg+xml;base64,PHN2Zy8+"/>').template).not_to include("data:")
    end

    it "does not open a bomb of entities, nor one of copies" do
      bomb = %(<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;">]>) + svg("<text>&b;</text>")
      expect { described_class.read(bomb, name: "moor.svg") }.to raise_error(Magpie::Error, /moor.svg declares entities that stand for other entities or for files/)
      file = %(<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]>) + svg("<text>&a;</text>")
      expect { described_class.read(file) }.to raise_error(Magpie::Error, /declares entities/)
      copies = (1..12).map { |n| %(<g id="g#{n}">#{%(<use href="#g#{n - 1}"/>) * 8}</g>) }.join
      expect { read(%(<defs><g id="g0"><rect width="1" height="1"/></g>#{copies}</defs><use href="#g12"/>)) }.to raise_error(Magpie::Error, /copies of copies/)
    end

    it "bounds what style sheets may cost: properties that multiply, selectors that walk" do
      doubling = (1..9).map { |n| "--p#{n}:#{"var(--p#{n - 1}) " * 90}" }.join(";")
      artwork = read(%(<style>:root{--p0:red;#{doubling}} .a{fill:var(--p9)} .b{fill:var(--p0)}</style><rect id="a" class="a" width="9" height="9"/><rect id="b" class="b" width="9" height="9"/>))
      expect(held(artwork)).to include(["a", "fill"] => "#000000", ["b", "fill"] => "#FF0000")
      stub_const("Magpie::Limits::SECONDS", 120)
      walking = (1..2500).map { |n| "g>rect:nth-child(#{n}){fill:red}" }.join
      expect { read("<style>#{walking}</style><g>#{"<rect/>" * 2_000}</g>") }.to raise_error(Magpie::Error, "moor.svg: line 1: it comes to more than 500,000 steps of work")
    end

    it "replaces plain entities, as old drawings have them, and says so" do
      artwork = described_class.read(%(<!DOCTYPE svg [<!ENTITY ink "#231F55">]>) + svg('<rect id="r" width="9" height="9" fill="&ink;"/>'))
      expect(held(artwork)[["r", "fill"]]).to eq "#231F55"
      expect(artwork.dropped).to eq ["1 text entity, replaced by their text"]
    end

    it "says what is wrong with what is no drawing" do
      {"" => /is empty/, "\x1F\x8Bxx" => /moor.svg is compressed and damaged/, Zlib.gzip("x" * 11_000_000) => /comes to more than 10 MB/, Zlib.gzip("hello") => /there is no <svg> in it/, "a\0b" => /moor.svg is not an SVG: this is not text/, "hello" => /moor.svg is not an SVG: there is no <svg> in it/, "<html><svg/></html>" => /is not an SVG: it begins with <html>/,
       "<svg><g></svg>" => /is damaged at line 1/, svg("<g>" * 210 + "</g>" * 210) => /nested deeper than 200 at line 1/, svg("<g/>" * 60_000) => /comes to more than 50,000 elements/}.each do |text, message|
        expect { described_class.read(text, name: "moor.svg") }.to raise_error(Magpie::Error, message)
      end
    end

    it "reads what is compressed as what it is" do
      drawing = File.binread(File.expand_path("../../db/demo/poster.svg", __dir__))
      plain, packed = [drawing, Zlib.gzip(drawing)].map { |bytes| described_class.read(bytes) }
      expect([packed.template, packed.parts, packed.places]).to eq [plain.template, plain.parts, plain.places]
      expect { described_class.read(Zlib.gzip(drawing).then { |packed| packed.byteslice(0, packed.bytesize / 2) }, name: "moor.svgz") }.to raise_error(Magpie::Error, /moor.svgz is compressed and damaged/)
    end

    it "takes pictures within by their content, whatever they say that they are" do
      bytes = {"png" => "\x89PNG\r\n\x1A\n", "jpeg" => "\xFF\xD8\xFF\xE0", "gif" => "GIF89a"}.transform_values { |start| [start.b + "\0" * 40].pack("m") }
      ["data:;base64,", "data:base64,", "data:image/x-unknown;base64,", "DATA:image/svg+xml;charset=utf-8;base64, "].each do |head|
        bytes.each do |type, base64|
          template = read(%(<image width="4" height="4" href="#{head}#{base64}"/>)).template
          expect(template).to include("data:image/#{type};base64,"), head
          expect(Magpie::Painters::Outgoing.checked(Magpie::Painters::Flat.new(template, {}).to_s)).to include("data:image/#{type}")
        end
        expect(read(%(<image width="4" height="4" href="#{head}#{["<svg/>"].pack("m")}"/>)).template).not_to include("href")
      end
    end

    it "survives text that only looks like a mark" do
      artwork = read('<text> data-part="x" &lt;b></text>')
      expect(Nokogiri::XML(Magpie::Painters::Flat.of(artwork)).errors).to be_empty
    end

    it "reads other encodings" do
      text = %(<?xml version="1.0" encoding="ISO-8859-1"?>) + svg("<text>Höhe</text>")
      expect(described_class.read(text.encode("ISO-8859-1").b).parts.first.label).to eq "“Höhe”"
      expect(described_class.read(("\uFEFF" + svg("<text>Höhe</text>")).encode("UTF-16LE").b).parts.first.label).to eq "“Höhe”"
    end
  end

  describe "rendering" do
    drawings = Dir[File.expand_path("../files/*.svg", __dir__)] + Dir[File.expand_path("../../db/demo/{poster,badge,dusk_front}.svg", __dir__)]

    drawings.each do |path|
      it "paints #{File.basename(path)} flat as the original is painted" do
        original = File.binread(path)
        expect(difference(original, Magpie::Painters::Flat.of(described_class.read(original)))).to be < 0.05
      end
    end

    it "has an SVG to compare for each hard thing" do
      expect(drawings.size).to be >= 6
    end

    it "links swatches by custom properties, with plain colours for what does not know them" do
      artwork = described_class.read(File.binread(File.expand_path("../../db/demo/poster.svg", __dir__)))
      paints = artwork.paints
      paints[["ember_band", "fill"]] = paints[["ember_band", "fill"]].dup.tap { |paint| paint.reference = 7 }
      linked = Magpie::Painters::Linked.new(artwork.template, paints, names: {7 => Magpie::Painters::Linked::Name.new("ember-sky", "Ember sky")}).to_s
      expect(linked).to include("--ember-sky:#E46F58; /* Ember sky */", ".fill-ember-sky{fill:var(--ember-sky)}")
      expect(linked).to match(/id="ember_band"[^>]* fill="#E46F58"[^>]* class="fill-ember-sky"/)
      expect(difference(linked, Magpie::Painters::Flat.of(artwork))).to be < 0.05
      expect(described_class.read(linked).colours).to eq artwork.colours
    end
  end
end
