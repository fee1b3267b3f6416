# The places that hold exactly a swatch's colour and follow nothing yet, in every
# project that uses its palette. "Exactly" is what a screen shows: eight bits and
# opacity.
class Candidates
  class << self
    alias_method :of, :new
  end

  def initialize(swatch) = @swatch = swatch

  def places
    projects = Use.where(palette_id: @swatch.group.palette_id).select(:project_id)
    Place.where(swatch_id: nil, hex: @swatch.hex, artwork_id: Artwork.where(project_id: projects, removed_at: nil).select(:id))
  end

  # {artwork => [places]}
  def by_artwork = places.includes(:part, :artwork).order(:artwork_id, :id).group_by(&:artwork)
end
