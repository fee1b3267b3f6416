# What a part of an artwork is painted with, whatever lies over it.
class PartColour
  # @!attribute part [Part]
  attr_reader :part

  # @param artwork [Artwork]
  # @param number [Integer] of the part
  # @param role [String] "fill" or "line"
  # @raise [Magpie::Error] when there is no such part
  def initialize(artwork, number, role)
    @role = role
    @artwork, @part = artwork, artwork.parts.find_by(position: number)
    @part or raise Magpie::Error, "#{artwork.name} has no such part"
  end

  # The swatch that it follows, which may be a gradient or pattern.
  # @return [Swatch, nil]
  def swatch = place&.swatch

  # @return [Magpie::Color]
  # @raise [Magpie::Error] when it has none, or not one colour
  def colour
    found = swatch ? (swatch.colour unless swatch.paint) : place&.colour
    found or raise Magpie::Error, "#{part.label} has no #{@role} of one colour: it is #{(place && place.kind != "colour") ? place.kind : "none"}. Read it as seen"
  end

  private

  def place = @place ||= @artwork.places.includes(:swatch).find_by(part_id: part.id, role: @role)
end
