module Magpie
  module Painters
    # Gradients and patterns that follow custom properties, and so does what lies between
    # two stops of a gradient; what does not know them shows the plain colour beside them.
    # A custom property holds an opaque colour: opacity stands beside it.
    class LinkedWriting < Writing
      # @param names [Hash{Object => Linked::Name}] by what inks refer to
      def initialize(names)
        @names = names
        @used = {}
      end

      # What was written.
      # @return [Hash{Linked::Name => Color}]
      attr_reader :used

      def ink(name, opacity, ink) = super + (ink.reference ? style(name, variable(ink)) : "")

      def step(name, opacity, step, compound)
        from, to = compound.inks.values_at(step.from, step.to)
        return super + (from.reference ? style(name, variable(from)) : "") if step.ink? || from == to
        return super unless from.reference || to.reference
        super + style(name, "color-mix(in #{Palette::Compound::SPACES.fetch(compound.mixing)},#{text(from)},#{text(to)} #{Notation::Forms.short(weighed(step, to, compound) * 100, 3)}%)")
      end

      private

      def style(name, value) = %( style="#{name}:#{value}")

      def variable(ink)
        known = @names.fetch(ink.reference)
        @used[known] = ink.colour
        "var(#{known.variable})"
      end

      def text(ink) = ink.reference ? variable(ink) : ink.colour.with(alpha: 1).hex

      # Opacity stands beside the colour; what is less opaque colours less all the same, but
      # where SVG mixes.
      def weighed(step, to, compound)
        alpha = step.colour.alpha
        (alpha.zero? || compound.mixing == "srgb") ? step.share : (step.share * to.shown.alpha / alpha).clamp(0.0, 1.0)
      end
    end
  end
end
