module Places
  module Palettes
    # Removing swatches: which are in use, and what could be followed instead.
    class Removal
      NEAREST = 12
      # So many are told, and so many that are in use are asked about.
      TOLD, ASKED = 12, 60

      attr_reader :used, :free

      # @param chosen [Array<Swatch>]
      # @param shown [Array<Chip>] among which the nearest are looked for
      def initialize(actor, chosen, shown)
        @reach = Reach.of(actor, chosen.map(&:id))
        @used, @free = chosen.partition { |swatch| @reach.key?(swatch.id) }
        ids = chosen.to_set(&:id)
        @others = Magpie::Library::Nearest.of(shown.reject { |each| each.paint || ids.include?(each.id) })
      end

      # How many places follow it.
      def reach(swatch) = @reach.fetch(swatch.id, 0)

      # @return [Array<[Chip, Float]>] with ΔE00
      def instead_of(swatch) = @others.to(swatch.colour, most: NEAREST)
    end
  end
end
