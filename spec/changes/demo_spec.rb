RSpec.describe Demo, :data do
  before { described_class.load }

  let(:project) { Project.find_by!(name: "Night open house") }

  it "shows a job in the middle of it: four artworks, three colourways of the poster, a few honest strays, patterns, two outfits" do
    expect(project.artworks.firsts.map(&:name)).to eq ["Poster", "Badge", "Ticket", "Star trail"]
    ways = Artwork.where(first_id: project.artworks.firsts.first.id).order(:position)
    expect(ways.map { |way| [way.colourway, Place.where(artwork_id: way.id).count] }).to eq [["Winter hours", 5], ["Daytime", 10]]
    strays = project.artworks.firsts.to_h { |artwork| [artwork.name, ArtworkColours.new([artwork]).strays.map(&:first)] }
    expect(strays).to eq("Poster" => [], "Badge" => [], "Ticket" => %w[#6C7284 #A85068], "Star trail" => %w[#FFD060])
    near = Magpie::Library::Nearest.of(project.swatches.to_a)
    expect(strays.values.flatten.map { |hex| near.nearest(hex(hex)).then { |swatch, difference| [swatch.name, difference.round(1)] } }).to match [["Slate dome", be < 2], ["Rosehip", be < 3], ["Lamp", be < 2]]
    expect(Outfit.all.to_h { |outfit| [outfit.name, outfit.worn.joins(:artwork).group("artworks.name").distinct.count(:part_id)] }).to eq("Starlight" => {"Poster" => 7, "Badge" => 3, "Ticket" => 4}, "Enamel edge" => {})
    expect(Following::Invariants.broken + Following::Invariants.misworn).to eq []
  end

  it "is where work begins: nothing in it is undone" do
    expect(RecordedChange.count).to eq 0
    expect { undo(project) }.to raise_error(Magpie::Error, "There is nothing to undo")
  end
end
