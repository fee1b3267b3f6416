module Changes
  # Parts are painted with a gradient or pattern of their own, whose inks may follow swatches,
  # and that lies in them as is said.
  class PaintParts < Change
    include OfParts
    include Ties
    include Tinting
    include Inking

    # @param paint [Magpie::Palette::Compound] its inks refer to swatches by their ids
    # @param laid [Magpie::Artwork::Placing, Hash{Integer => Magpie::Artwork::Placing}, nil] in
    #   all of them, or in each by its number; nil: as usual
    # @param tint [[Integer, Float], nil] an ink that follows its swatch by so many per cent
    #   from now on
    def initialize(project, paint:, laid: nil, tint: nil, **given)
      super(project, **given)
      @paint, @laid, @tint = paint, laid, tint
    end

    private

    def make
      ids = found_places
      @paint = tinted if @tint
      followed = followed(@paint)
      @paint = coloured(@paint, followed)
      clear_places(ids)
      update_all(Place, ids, **Place::EMPTY, kind: "compound", paint: @paint, laid: (@laid unless @laid.is_a?(Hash)))
      update_each(Place, Place.among(ids).joins(:part).pluck(:id, "parts.position").to_h { |id, number| [id, {laid: @laid[number]}] }) if @laid.is_a?(Hash)
      create_all(Follow, ids.flat_map { |id| followed.map { |ink, swatch| {place_id: id, swatch_id: swatch.id, ink:} } })
    end

    def tinted
      number, percent = @tint
      ink = @paint.inks[number]
      raise Magpie::Error, "That stop follows no swatch that a tint could be made of" unless ink&.reference
      swatch = tint_of(parent_of(ink.reference), percent)
      @paint.with(inks: @paint.inks.each_with_index.map { |each, index| (index == number) ? each.with(reference: swatch.id) : each })
    end

    def words = "Painted #{"the line of " if @role == "line"}#{parts} with a #{@paint.gradient? ? "gradient" : "pattern"}"
  end
end
