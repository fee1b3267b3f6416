# A swatch under which 1,000 others follow in chains of five, and 10,000 places that
# follow them here and there.
class Chains
  attr_reader :root

  def initialize(project, chains: 200, deep: 5, places: 10_000)
    group = Group.create!(palette: project.palettes.first, name: "Chains", position: 99)
    @root = Swatch.create!(group:, name: "Root", colour: Magpie::Notation.parse("#E46F58"), shared: true, position: 1)
    above = [@root] * chains
    deep.times { |level| above = below(group, above, level) }
    artwork = Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Many.svg", bytes: %(<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60">#{%(<rect width="9" height="9" fill="#E46F58"/>) * places}</svg>))
    followed = [@root.id, *Swatch.where(group:).where.not(id: @root.id).ids]
    ids = artwork.places.where(role: "fill").ids
    Place.where(id: ids).update_all(Place::PAINTED)
    Follow.insert_all!(ids.each_with_index.map { |id, index| {place_id: id, swatch_id: followed[index % followed.size]} })
  end

  private

  def percent(index) = 60.0 + index % 40

  def below(group, above, level)
    rows = above.each_with_index.map do |parent, index|
      colour = Following::Flow.tinted(parent.colour, percent(index))
      {group_id: group.id, name: "Chain #{index} level #{level}", colour:, hex: colour.hex, shared: true, position: 2 + level * above.size + index}
    end
    ids = Swatch.insert_all!(rows, returning: :id).map { |row| row["id"] }
    Follow.insert_all!(ids.zip(above).map { |id, parent| {follower_id: id, swatch_id: parent.id} }.each_with_index.map { |row, index| {**row, tint: percent(index)} })
    Swatch.where(id: ids).order(:id).to_a
  end
end
