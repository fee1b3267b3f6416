# What follows the swatches of a palette, wherever in the house.
module PaletteUse
  # @return [Hash{String => Hash{String => Integer}}] places by artwork by project, by name; those with most first
  def self.of(actor, palette)
    rows = actor.reaches.where(swatch_id: palette.swatches.select(:id)).joins(artwork: :project).group("projects.name", "artworks.name").sum(:places)
    rows.sort_by { |(project, artwork), places| [project, -places, artwork] }.each_with_object(Hash.new { |all, name| all[name] = {} }) { |((project, artwork), places), all| all[project][artwork] = places }
  end
end
