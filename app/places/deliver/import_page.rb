module Places
  module Deliver
    # A palette file as it is looked at before anything is brought in.
    class ImportPage
      CHIPS = 400 # of a group
      NOTES = 200

      # @!attribute ours [Swatch]
      # @!attribute theirs [Magpie::Palette::Swatch]
      Collision = Struct.new(:key, :ours, :theirs, :group) do
        # ΔE00.
        def difference = Magpie::Difference.de2000(ours.colour, theirs.colour)
      end

      attr_reader :import, :into

      # @param import [Import]
      # @param into [Palette, nil] where it is to be brought in
      # @raise [Magpie::Error]
      def initialize(import, into)
        @import, @into, @result = import, into, import.result
      end

      def palette = @result.palette

      def size = palette.swatches.size

      # @return [Array<Collision>]
      def collisions = @collisions ||= Collisions.of(palette, into).map { |found| Collision.new(*found) }

      def notes = @result.notes.first(NOTES)
    end
  end
end
