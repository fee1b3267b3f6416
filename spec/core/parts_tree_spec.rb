RSpec.describe Magpie::Artwork::Tree do
  def tree(inner) = described_class.of(Magpie::Artwork.read(%(<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60">#{inner}</svg>)).template)

  # Names and keys, nested.
  def shape(nodes) = nodes.map { |node| node.children.any? ? {node.label || node.key => shape(node.children)} : node.key }

  it "nests as the file does, without groups that hold nothing, or but one other" do
    found = tree <<~SVG
      <g id="night_sky"><g><g id="stars"><circle id="one" r="2"/><circle r="3"/></g></g><g id="empty"/></g>
      <defs><g id="unused"><rect width="1" height="1"/></g></defs>
      <g><rect id="moor" width="9" height="9"/><text id="words">a <tspan id="lit" fill="#fff">b</tspan></text></g>
    SVG
    expect(shape(found)).to eq [{"Stars" => ["one", "stars/circle2"]}, {"drawing/g2" => ["moor", {"words" => ["lit"]}]}]
    expect(found.flat_map(&:keys)).to eq ["one", "stars/circle2", "moor", "words", "lit"]
  end

  it "holds each part of a drawing once, and no stop" do
    Dir[File.expand_path("../files/*.svg", __dir__)].each do |path|
      drawing = Magpie::Artwork.read(File.binread(path), name: path)
      expect(described_class.of(drawing.template).flat_map(&:keys).sort).to eq(drawing.parts.select { |part| part.kind == :part }.map(&:key).sort), path
    end
  end
end
