module Magpie
  class Palette
    # The colours along a gradient, as stops between which it is enough to mix as SVG does:
    # between two stops of its own lie as many as the eye needs.
    #
    # Between two stops colours lie as CSS Images 4 has them ("Color Stop Fixup", colour
    # hints): where the middle is at m, the share of the second at p is p ^ (log ½ / log m).
    # What is less opaque colours less, but where the mixing is that of SVG (SVG 2, 14.2.4).
    # Colours that leave the screen's gamut on the way are clipped, as browsers clip them.
    class Course
      # One stop.
      # @!attribute offset [Float] 0..1
      # @!attribute from, to [Integer] numbers of the inks that it lies between; the same where it is one of them
      # @!attribute share [Float] of the second, 0..1
      # @!attribute colour [Color] in sRGB, with its opacity
      # @!attribute at [Integer, nil] the ink in whose place it lies; nil between two
      Step = Struct.new(:offset, :from, :to, :share, :colour, :at) do
        def ink? = !at.nil?
      end

      NEAR = 0.4 # ΔE00 by which what SVG mixes may differ
      NEAR_ALPHA = 0.004 # of opacity
      DEEPEST = 14 # halvings of the way between two stops
      LOOKED_AT = [0.25, 0.5, 0.75].freeze # of each piece
      WAYS = {"oklab" => :eye, "linear" => :light}.freeze # of Making::Mix
      MOST = 500 # ways between two colours that are kept
      @kept, @lock = {}, Mutex.new

      # What lies between two colours is looked for once.
      # @return [Array<[Float, Float, Color]>] place on the way, share of the second, colour
      def self.between(one, two, mixing, middle)
        key = [one, two].map { |color| [color.model, *color.components, color.alpha] }.push(mixing, middle)
        @kept[key] || new(one, two, mixing, middle).steps.freeze.tap do |found|
          @lock.synchronize { @kept = ((@kept.size < MOST) ? @kept : {}).merge(key => found) }
        end
      end

      # @param compound [Compound] a gradient
      # @return [Array<Step>] in order
      def self.of(compound)
        steps = compound.order.each_cons(2).flat_map { |from, to| segment(compound, from, to) }
        steps.chunk_while { |one, two| one.offset == two.offset && one.from == two.from && one.colour == two.colour }.map(&:first)
      end

      # From one of its stops to the next.
      # @param from, to [Integer] numbers of inks
      # @return [Array<Step>] with those of both
      def self.segment(compound, from, to)
        inks = compound.inks
        one, two = inks.values_at(from, to)
        ends = [shown(one, two), shown(two, one)]
        found = (one.offset < two.offset) ? between(*ends, compound.mixing, one.middle) : []
        inner = found.map { |place, share, colour| Step.new(one.offset + (two.offset - one.offset) * place, from, to, share, colour) }
        [Step.new(one.offset, *end_of(inks, from, to), 0.0, ends[0], from), *inner, Step.new(two.offset, *end_of(inks, to, from), 0.0, ends[1], to)]
      end

      def self.shown(ink, beside) = clear?(ink) ? Gamut.to_srgb(beside.shown).with(alpha: 0.0) : Gamut.to_srgb(ink.shown)

      # What is clear has the colour of what stands beside it.
      def self.clear?(ink) = ink.opacity.zero?

      def self.end_of(inks, number, beside) = clear?(inks[number]) ? [beside, beside] : [number, number]
      private_class_method :shown, :end_of

      # A colour between two, as a gradient has it that needs no stops in between.
      # @param one, two [Color] in sRGB
      # @param share [Float] of the second, 0..1
      # @return [Color] in sRGB
      def self.mixed(one, two, mixing, share)
        return straight(one, two, share) if mixing == "srgb"
        Gamut.clip(Making::Mix.of(one, two, share, way: WAYS.fetch(mixing)))
      end

      # As SVG mixes.
      def self.straight(one, two, share)
        Color.new(:srgb, one.components.zip(two.components).map { |a, b| Making::Mix.between(a, b, share) }, Making::Mix.between(one.alpha, two.alpha, share))
      end

      # @param one, two [Color] in sRGB
      def initialize(one, two, mixing, middle)
        @one, @two, @mixing = one, two, mixing
        @bend = Math.log(0.5) / Math.log(middle)
      end

      # @return [Array<[Float, Float, Color]>] those between the two
      def steps
        return [] if @mixing == "srgb" && (@bend - 1).abs < 1e-9
        return [] if @one == @two
        inner(0.0, 1.0, @one, @two, 0)
      end

      private

      def share(place) = place**@bend

      def at(place) = Course.mixed(@one, @two, @mixing, share(place))

      # Halves a piece for as long as it looks other than what is mixed.
      def inner(low, high, one, two, depth)
        return [] if depth == DEEPEST || LOOKED_AT.all? { |part| near?(at(low + (high - low) * part), Course.straight(one, two, part)) }
        middle = (low + high) / 2
        colour = at(middle)
        [*inner(low, middle, one, colour, depth + 1), [middle, share(middle), colour], *inner(middle, high, colour, two, depth + 1)]
      end

      # The less opaque, the less is seen of a difference.
      def near?(wanted, got)
        (wanted.alpha - got.alpha).abs <= NEAR_ALPHA && Difference.de2000(wanted.with(alpha: 1), got.with(alpha: 1)) * wanted.alpha <= NEAR
      end
    end
  end
end
