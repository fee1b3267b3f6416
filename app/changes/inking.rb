module Changes
  # Gradients and patterns whose inks follow swatches.
  module Inking
    private

    # What its inks follow, shared from now on. An ink cannot follow a gradient or a pattern:
    # it holds one colour.
    # @param paint [Magpie::Palette::Compound] its inks refer to swatches by their ids
    # @return [Hash{Integer => Swatch}] by number of the ink
    # @raise [Magpie::Error]
    def followed(paint)
      asked = paint.inks.each_with_index.filter_map { |ink, index| [index, ink.reference] if ink.reference }.to_h
      swatches = Swatch.where(id: asked.values).order(:id).index_by(&:id)
      raise Magpie::Error, "A swatch that an ink follows was removed meanwhile" unless asked.values.all? { |id| swatches.key?(id) }
      made = swatches.values.find(&:paint)
      raise Magpie::Error, "#{made.name} is a gradient or pattern itself: an ink follows a plain colour" if made
      share(swatches.values)
      asked.transform_values { |id| swatches.fetch(id) }
    end

    # With the colours of what its inks follow.
    # @param followed [Hash{Integer => Swatch}]
    # @return [Magpie::Palette::Compound]
    def coloured(paint, followed) = followed.reduce(paint.checked) { |made, (ink, swatch)| made.with_ink(ink, swatch.colour) }
  end
end
