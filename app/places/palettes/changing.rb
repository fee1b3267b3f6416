module Places
  module Palettes
    # Changing swatches everywhere: what follows them, before and after.
    class Changing
      ARTWORKS = 8

      # @param chosen [Array<Swatch>]
      def initialize(actor, chosen, param)
        @chosen, @param = chosen, param
        @reach = Reach.new(actor, chosen.map(&:id), most: ARTWORKS)
      end

      attr_reader :reach

      def title = "#{(@chosen.size == 1) ? @chosen.first.name : "#{@chosen.size} swatches"}, everywhere"

      # The one that can be set exactly in Mix.
      # @return [Swatch, nil]
      def single = (@chosen.first if @chosen.size == 1 && !@chosen.first.paint)

      def shift = ShiftForm.new("selection", @chosen.count { |swatch| !swatch.locked && !swatch.paint }, @param)
    end
  end
end
