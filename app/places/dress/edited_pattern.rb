module Places
  module Dress
    # The pattern that parts hold, as it is edited.
    class EditedPattern < EditedPaint
      # @return [Magpie::Artwork::Tiling] how it lies, also where nothing is said
      def laid = @laid ||= held_laid || Magpie::Artwork::Tiling.new

      def held_laid = (place.laid if place.laid.is_a?(Magpie::Artwork::Tiling))

      # Degrees by which it is seen turned.
      def angle = (paint.angle + laid.turn * laid.handed).round(2) % 360

      # How wide a repeat is seen, in units of the part.
      def size = paint.size * laid.scale

      # As it is seen, with its turn and its scale; where parts differ in these, as it is.
      def kept_in(numbers)
        lying = @artwork.places_of(numbers).where(role: place.role).includes(:part).to_h { |each| [each.part.position, each.laid] }
        return [paint, nil] if lying.values.uniq.size > 1
        made, how = laid.within(paint)
        [made, lying.transform_values { how }]
      end

      # Is it as wide as the part has it?
      def fitted? = %w[fitted filling].include?(laid.fit)

      # What a browser needs to draw its handles: where its tile lies, and how it does without
      # what is said of it; of one tile, from the middle of the part.
      # @return [Hash]
      def to_h
        tile = Magpie::Painters::Tiles.new(paint, Magpie::Painters::Writing.new)
        {part: part.position, form: paint.form, mark:, stops: paint.inks.map { {} }, order:, tile: [tile.width, tile.height], lies: tile.axes(laid, frame).to_a,
         base: tile.axes(Magpie::Artwork::Tiling.new, frame).to_a, once: laid.once?, frame: frame.box}
      end

      # Patterns that it could be, each in its inks.
      # @return [Array<[String, String, String]>] form, title, CSS
      def tiles = Magpie::Palette::Compound::PATTERNS.map { |form| shown(form, Magpie::Palette::Compound::FORMS[form]) }

      # Those of the project.
      # @return [Array<[String, String, String]>] the same
      def own = own_tiles.map { |tile| shown(tile.form, tile.name) }

      # @return [Array<OwnTile>]
      def own_tiles = @own_tiles ||= @artwork.project.own_tiles.to_a

      # That of the project which it repeats, if it does one.
      # @return [OwnTile, nil]
      def own_tile = own_tiles.find { |tile| tile.form == paint.form }

      # Where its tile meets itself, of one that was brought in.
      # @return [Array<Magpie::Painters::Seam::Edge>]
      def seams = paint.tile&.own? ? Tile.find(paint.form).edges : []

      # One repeat, as CSS.
      def repeat = ::Page::Background.repeat(paint)

      # What it is called.
      def kind = "pattern"

      private

      def shown(form, title) = [form, title, ::Page::Background.of(paint.as(form).with(size: 14.0, angle: 0.0))]

      def order = paint.inks.each_index.to_a
    end
  end
end
