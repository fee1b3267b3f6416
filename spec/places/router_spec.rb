RSpec.describe Places::Router do
  def place(verb, path) = described_class::ALL.find { |each| each.answers?(verb, path) }&.module_parent

  it "gives each address to the place that has it" do
    {["GET", "/"] => Places::House, ["GET", "/projects/3/gather"] => Places::Gather, ["GET", "/projects/3/sources/4/picture"] => Places::Gather,
     ["POST", "/projects/3/artworks/4/readings"] => Places::Gather, ["POST", "/projects/3/artworks/4/dress"] => Places::Dress, ["POST", "/projects/3/hand"] => Places::Handling,
     ["GET", "/projects/3/palettes"] => Places::Palettes, ["POST", "/projects/3/shelf"] => Places::Palettes, ["GET", "/slice.png"] => Places::Mix,
     ["GET", "/projects/3/deliver/artworks/4/flat.svg"] => Places::Deliver, ["HEAD", "/projects/3/deliver"] => Places::Deliver}.each do |(verb, path), expected|
      expect([path, place(verb, path)]).to eq [path, expected]
    end
    expect([place("GET", "/nowhere"), place("POST", "/projects/3/gather"), place("DELETE", "/")]).to eq [nil, nil, nil]
  end

  it "has no address that two places answer differently" do
    paths = described_class::ALL.flat_map { |each| each.routes.flat_map { |verb, routes| routes.map { |pattern, _| [verb, pattern.to_s.gsub(/:\w+/, "7")] } } }.uniq
    expect(paths.size).to be > 80
    shared = paths.select { |verb, path| described_class::ALL.count { |each| each.answers?(verb, path) } > 1 }
    expect(shared).to eq []
  end

  it "keeps each place's helpers to itself" do
    own = described_class::ALL.to_h { |each| [each, each.instance_methods - Frame::Application.instance_methods] }
    expect(own[Places::Palettes::Application]).to include(:chip, :selected)
    expect(own.values_at(Places::Gather::Application, Places::Dress::Application).flatten).not_to include(:chip, :selected)
    expect(own[Places::Dress::Application]).not_to include(:taken)
  end
end
