module Places
  module Mix
    # The colour with another, in four ways of mixing.
    class Mixture < Panel
      FINDS, SWATCHES = 8, 60
      STEPS = 8
      WAYS = {eye: "Even to the eye", light: "As light", opacity: "Opacity over a ground", paint: "As paint"}.freeze

      # What it can be mixed with.
      Other = Struct.new(:name, :key, :colour)

      # @!attribute row [Array<Magpie::Color>] from the colour to the other
      # @!attribute mixed [Magpie::Color] with the share that was asked for
      Way = Struct.new(:label, :row, :mixed)

      def others
        @others ||= [Other.new("what was before", "before", before), *@desk.finds.first(FINDS).map { |find| Other.new("find: #{find.name}", "find-#{find.id}", find.colour) },
          *swatches.first(SWATCHES).map { |each| Other.new(each.name, "swatch-#{each.id}", each.colour) }]
      end

      # The one asked for, or the first that differs.
      def other = @other ||= others.find { |each| each.key == @param[:other] } || others.find { |each| each.colour.hex != colour.hex } || others.first

      # Per cent of the other.
      def share = asked(:share, 50, 0..100)

      def ways = WAYS.map { |way, label| Way.new(label, (0..STEPS).map { |n| mixed(way, n / STEPS.to_f) }, mixed(way, share / 100)) }

      # What is seen of a translucent colour over the other; nil where it is opaque.
      def over = (@over ||= Magpie::Making::Mix.over(colour, other.colour) unless colour.opaque?)

      def ground = (other.key == "before") ? "it" : "that ground"

      private

      def mixed(way, share) = Magpie::Gamut.to_srgb(Magpie::Making::Mix.of(colour, other.colour, share, way:))
    end
  end
end
