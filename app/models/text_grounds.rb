# Texts of artworks and what they lie on, with the contrast between the two.
class TextGrounds
  # @!attribute text, ground [Place] with what they follow
  # @!attribute artwork [Artwork]
  Pair = Struct.new(:artwork, :text, :ground, keyword_init: true) do
    def colours = [text, ground].map { |place| place.swatch&.colour || place.colour }

    def ratio = Magpie::Contrast.ratio(*colours)
  end

  # @param swatch_ids [Array<Integer>] of a palette: pairs of which one follows one of these
  def initialize(swatch_ids) = @ids = swatch_ids

  # @return [Array<Pair>] one for each two that meet in an artwork
  def pairs
    artworks = Artwork.where(id: Place.standing.following(@ids).select(:artwork_id)).order(:id)
    artworks.flat_map { |artwork| of(artwork) }.select { |pair| pair.colours.all? && [pair.text, pair.ground].any? { |place| @ids.include?(place.swatch_id) } }
  end

  private

  def of(artwork)
    below = grounds(artwork)
    places = artwork.places.where(role: "fill").includes(:swatch, :part).joins(:part).where(parts: {key: below.to_a.flatten}).index_by { |place| place.part.key }
    below.filter_map { |text, ground| Pair.new(artwork:, text: places[text], ground: places[ground]) if places[text] && places[ground] }
      .uniq { |pair| [pair.text, pair.ground].map { |place| place.swatch_id || place.hex } }
  end

  # Depends on the drawing and on what is painted at all, not on the colours.
  def grounds(artwork)
    paints = artwork.paints
    shape = Digest::SHA256.hexdigest([artwork.template, paints.transform_values { |paint| [paint.kind, paint.opacity > 0] }.to_a].to_s)
    JSON.parse(File.read(PictureCache.file("#{shape}-grounds.json") { JSON.generate(Magpie::Artwork::Grounds.of(artwork.drawing, paints)) }))
  end
end
