module Magpie
  module Formats
    class Css < Format
      # linear-gradient() and radial-gradient() both ways. CSS Images 3; angles there are 0
      # upward and go with the clock, here 0 is to the right.
      class Gradients
        NAME = /\A(?:-webkit-|-moz-)?(?:repeating-)?(linear|radial)-gradient\z/i
        SIDES = {"top" => [0, -1], "bottom" => [0, 1], "left" => [-1, 0], "right" => [1, 0]}.freeze
        MOST = 12 # stops

        # @param value [Value]
        def initialize(value) = @value = value

        def self.node(nodes)
          trimmed = Value.trimmed(nodes)
          trimmed.first if trimmed.size == 1 && trimmed[0][:node] == :function && trimmed[0][:name].match?(NAME)
        end

        # @param node [Hash] as it stands in the file
        # @return [[Palette::Compound, Array<String, nil>]] and the custom property of each stop
        # @raise [Magpie::Error]
        def read(node)
          form = node[:name][NAME, 1].downcase
          parts = Value.split(node[:value])
          angle = angle(parts.shift) if configured?(parts.first.to_a)
          stops = stops(parts)
          raise Error, "the gradient has #{Text.count(stops.size, "stop")}: expected 2 to #{MOST}" unless stops.size.between?(2, MOST)
          inks = placed(stops).map { |colour, offset, _| Palette::Compound::Ink.new(colour:, offset:) }
          [Palette::Compound.new(form:, angle: (form == "linear") ? angle || 90.0 : 0.0, size: Palette::Compound::SIZE, inks:).checked, stops.map(&:last)]
        end

        # @yieldparam ink [Palette::Compound::Ink]
        # @yieldreturn [String] CSS of its colour
        # @return [String]
        def self.write(compound)
          inks = compound.inks.sort_by.with_index { |ink, index| [ink.offset, index] }
          stops = inks.map { |ink| "#{yield ink} #{Notation::Forms.short(ink.offset * 100, 6)}%" }
          (compound.form == "linear") ? "linear-gradient(#{Notation::Forms.short((compound.angle + 90) % 360, 6)}deg, #{stops.join(", ")})" : "radial-gradient(closest-side, #{stops.join(", ")})"
        end

        private

        WORDS = %w[to in circle ellipse at closest-side closest-corner farthest-side farthest-corner].freeze

        def configured?(part) = part.any? { |node| node[:node] == :ident && WORDS.include?(node[:value].downcase) || node[:node] == :dimension } && !Value.colour?(part.first(1))

        def angle(part)
          part = @value.whole(part)
          turn = part.find { |node| node[:node] == :dimension && Notation::Arguments::ANGLES.key?(node[:unit].to_s.downcase) }
          return ((turn[:value] * Notation::Arguments::ANGLES[turn[:unit].downcase]) - 90) % 360 if turn
          x, y = part.filter_map { |node| SIDES[node[:value].to_s.downcase] if node[:node] == :ident }.transpose.map(&:sum)
          (Math.atan2(y, x) * 180 / Math::PI) % 360 if x
        end

        # A part is a colour with no, one or two places, or only a hint, which is passed over.
        # @return [Array<[Color, Float, String]>]
        def stops(parts)
          parts.flat_map do |part|
            places, colour = part.reject { |node| node[:node] == :whitespace }.partition { |node| %i[percentage number dimension].include?(node[:node]) }
            next [] if colour.empty?
            value = @value.colour(@value.whole(colour))
            places = places.map { |node| place(node) }
            (places.empty? ? [nil] : places).map { |offset| [value, offset, Value.variable(colour)] }
          end
        end

        def place(node)
          return node[:value] / 100.0 if node[:node] == :percentage
          return 0.0 if node[:value].zero?
          raise Error, "a stop of the gradient lies at #{node[:raw].to_s[0, 20]}: expected per cent"
        end

        # Those without a place lie evenly between their neighbours; none lies before
        # another that stands before it.
        def placed(stops)
          offsets = stops.map { |_, offset, _| offset&.clamp(0.0, 1.0) }
          offsets[0] ||= 0.0
          offsets[-1] ||= 1.0
          offsets.each_index { |index| offsets[index] = [offsets[index], offsets.first(index).compact.max || 0.0].max if offsets[index] }
          offsets.each_index { |index| offsets[index] ||= filled(offsets, index) }
          stops.zip(offsets).map { |(colour, _, name), offset| [colour, offset, name] }
        end

        def filled(offsets, index)
          after = (index...offsets.size).find { |each| offsets[each] }
          offsets[index - 1] + (offsets[after] - offsets[index - 1]) / (after - index + 1)
        end
      end
    end
  end
end
