# Texts of artworks and what they lie on, with the contrast between the two as they
# are seen: opacity of colour, paint, part and groups counts.
class TextGrounds
  # @!attribute text, ground [Place] with what they follow
  # @!attribute artwork [Artwork]
  # @!attribute opacities [[Float, Float]] of their parts, groups included
  Pair = Struct.new(:artwork, :text, :ground, :opacities, keyword_init: true) do
    # [text, ground] with the opacity that they are seen with; nil where there is no one colour.
    def colours
      @colours ||= [text, ground].zip(opacities).map do |place, opacity|
        colour = place.swatch&.colour || place.colour
        colour&.with(alpha: colour.alpha * place.opacity * opacity)
      end
    end

    def ratio = Magpie::Contrast.ratio(*colours)
  end

  # @param actor [Actor]
  # @param ids [Array<Integer>] swatches of a palette: pairs of which one follows one of these
  def initialize(actor, ids)
    @actor, @ids = actor, ids
  end

  # @return [Array<Pair>] one for each two that meet in an artwork
  def pairs
    artworks = @actor.artworks.where(id: @actor.reaches.where(swatch_id: @ids).select(:artwork_id)).order(:id)
    artworks.flat_map { |artwork| of(artwork) }.select { |pair| pair.colours.all? && pair.colours.first.alpha > 0 && [pair.text, pair.ground].any? { |place| @ids.include?(place.swatch_id) } }
  end

  private

  def of(artwork)
    below, opacities = grounds(artwork)
    places = artwork.places.where(role: "fill").includes(:follow, :swatch, :part).joins(:part).where(parts: {key: below.to_a.flatten}).index_by { |place| place.part.key }
    below.filter_map { |keys| Pair.new(artwork:, text: places[keys[0]], ground: places[keys[1]], opacities: opacities.values_at(*keys)) if places.values_at(*keys).all? }
      .uniq { |pair| [*[pair.text, pair.ground].map { |place| place.swatch_id || place.hex }, pair.colours] }
  end

  # [{text => ground}, {part => opacity}]. Depends on the drawing and on what is painted
  # at all, not on the colours.
  def grounds(artwork)
    dressing = Dressing.new(artwork)
    paints = dressing.paints
    shape = Digest::SHA256.hexdigest([artwork.template, paints.transform_values { |paint| [paint.kind, paint.opacity > 0] }.to_a, dressing.settings].to_s)
    JSON.parse(File.read(PictureCache.file("#{shape}-grounds.json") { JSON.generate(Magpie::Walls.grounds(dressing.drawing(small: true), paints, name: artwork.name)) }))
  end
end
