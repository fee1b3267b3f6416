module Places
  module Dress
    # A test patch as the stage shows it, in the units of the drawing.
    class ShownPatch
      # @param artwork [Artwork]
      # @param chips [Hash{Integer => Chip}] swatches by id
      # @return [Array<ShownPatch>] those on an artwork
      def self.on(artwork)
        patches = Patch.where(artwork_id: artwork.drawn_id).order(:id).to_a
        chips = patches.any? ? Chip.of(patches.filter_map(&:swatch_id)) : {}
        patches.map { |patch| new(patch, artwork, chips[patch.swatch_id]) }
      end

      # @param chip [Chip, nil] that it shows the value of
      def initialize(patch, artwork, chip)
        @patch, @artwork, @chip = patch, artwork, chip
      end

      def id = @patch.id

      def shape = @patch.shape

      def word = @patch.word

      def label = [shape, @chip ? "#{@chip.name} #{@chip.hex}" : @patch.colour.hex].join(", ")

      # What moves when the swatch does.
      def fill = @chip ? ::Page::Painter.property(@chip.id, @chip.hex) : @patch.colour.hex

      def x = (@patch.left * @artwork.width).round(3)

      def y = (@patch.top * @artwork.height).round(3)

      def width = (@patch.width * @artwork.width).round(3)

      def height = (@patch.height * @artwork.height).round(3)
    end
  end
end
