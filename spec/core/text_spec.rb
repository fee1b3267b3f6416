RSpec.describe Magpie::Text do
  it "decodes what is marked, then UTF-8, then Latin-1" do
    expect(described_class.decode("Höhe")).to eq "Höhe"
    expect(described_class.decode("\xEF\xBB\xBFHöhe".b)).to eq "Höhe"
    expect(described_class.decode("H\xF6he".b)).to eq "Höhe"
    expect(described_class.decode("\xFF\xFEH\0\xF6\0".b)).to eq "Hö"
    expect(described_class.decode("a\r\nb\rc\nd")).to eq "a\nb\nc\nd"
    expect { described_class.decode("a\0b") }.to raise_error(Magpie::Error, "this is not text: it holds a zero byte at 1")
  end

  it "finds comments that no XML file may hold, and takes their words out" do
    {"<a><!-- x --><!---->\n<b/></a>" => nil, "<a>\n<!-- x -- y --></a>" => 2, "<![CDATA[<!-- a -- b -->]]>\n\n<!-- é\n--->" => 4, "<!-- open" => nil}.each { |text, line| expect([text, described_class.broken_comment(text)]).to eq [text, line] }
    expect(described_class.without_comments("<a><!-- x -- \n y --><![CDATA[<!-- a --> ]]><b/><!--->\nleft")).to eq "<a><!--\n--><![CDATA[<!-- a --> ]]><b/><!--\n-->"
  end

  it "cleans names without losing what people mean" do
    expect(described_class.name("  Dusk\n\tsky \u00A0 ")).to eq "Dusk sky"
    expect(described_class.name("夜空 🜚")).to eq "夜空 🜚"
    expect(described_class.name("x" * 500).length).to eq 200
    expect(described_class.name(nil)).to eq ""
  end

  it "makes names for files" do
    expect(described_class.slug("Quillmère House, 2!", "palette")).to eq "quillmere-house-2"
    expect(described_class.slug("夜空", "palette")).to eq "palette"
    expect(described_class.slug("../../etc/passwd", "x")).to eq "etc-passwd"
  end

  it "counts and lists in words" do
    expect([1, 2].map { |number| described_class.count(number, "swatch") }).to eq ["1 swatch", "2 swatches"]
    expect(described_class.count(3, "entity")).to eq "3 entities"
    expect(described_class.count(0, "place")).to eq "0 places"
    expect(described_class.list(%w[poster badge ticket])).to eq "poster, badge and ticket"
    expect(described_class.list(["poster"])).to eq "poster"
  end
end
