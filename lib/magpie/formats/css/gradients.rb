module Magpie
  module Formats
    class Css < Format
      # linear-gradient(), radial-gradient() and conic-gradient() both ways, with what mixes
      # them and where their middles lie. CSS Images 4; angles there are 0 upward and go with
      # the clock, here 0 is to the right.
      class Gradients
        NAME = /\A(?:-webkit-|-moz-)?(repeating-)?(linear|radial|conic)-gradient\z/i
        SIDES = {"top" => [0, -1], "bottom" => [0, 1], "left" => [-1, 0], "right" => [1, 0]}.freeze
        # A stop as it stands there.
        # @!attribute offset [Float, nil]
        # @!attribute name [String, nil] the custom property that it is
        # @!attribute hint [Float, nil] where the middle to the next lies
        Stop = Struct.new(:colour, :offset, :name, :hint)

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
          again, kind = node[:name].match(NAME).captures
          parts = Value.split(node[:value])
          told = configured?(parts.first.to_a) ? parts.shift : []
          stops = placed(stops(parts))
          raise Error, "the gradient has #{Text.count(stops.size, "stop")}: expected 2 to #{Palette::Compound::MOST}" unless stops.size.between?(2, Palette::Compound::MOST)
          given = {form: form(kind.downcase, told), angle: angle(kind.downcase, told), mixing: mixing(told), extent: again ? "repeat" : "pad"}
          [Palette::Compound.new(**given, size: Palette::Compound::SIZE, inks: inks(stops)).checked, stops.map(&:name)]
        end

        # @yieldparam ink [Palette::Compound::Ink]
        # @yieldreturn [String] CSS of its colour
        # @return [String]
        def self.write(compound)
          inks = compound.inks.values_at(*compound.order)
          stops = inks.each_with_index.flat_map { |ink, index| ["#{yield ink} #{cent(ink.offset)}", hint(ink, inks[index + 1])].compact }
          turn = "#{Notation::Forms.short((compound.angle + 90) % 360, 6)}deg"
          lies = {"linear" => turn, "conic" => "from #{turn}", "round" => "circle farthest-side", "radial" => "closest-side"}.fetch(compound.form)
          kind = {"round" => "radial"}.fetch(compound.form, compound.form)
          "#{"repeating-" if Css.extent(compound) == "repeat"}#{kind}-gradient(#{lies}#{" in #{Palette::Compound::SPACES.fetch(compound.mixing)}" unless compound.mixing == "srgb"}, #{stops.join(", ")})"
        end

        def self.cent(share) = "#{Notation::Forms.short(share * 100, 6)}%"

        def self.hint(ink, following) = (cent(ink.offset + (following.offset - ink.offset) * ink.middle) if following && !ink.halfway? && following.offset > ink.offset)

        private

        WORDS = %w[to in from circle ellipse at closest-side closest-corner farthest-side farthest-corner].freeze

        def configured?(part) = part.any? { |node| node[:node] == :ident && WORDS.include?(node[:value].downcase) || node[:node] == :dimension } && !Value.colour?(part.first(1))

        def words(part) = part.filter_map { |node| node[:value].downcase if node[:node] == :ident }

        def form(kind, told)
          return kind unless kind == "radial"
          words(told).include?("circle") ? "round" : "radial"
        end

        def mixing(told)
          found = words(told)
          space = found[found.index("in") + 1] if found.include?("in")
          space ? Palette::Compound::SPACES.key(space) || "oklab" : "srgb" # whatever else there is, is nearest to the eye's
        end

        def angle(kind, told)
          return 0.0 if kind == "radial"
          part = @value.whole(told)
          turn = part.find { |node| turned(node) }
          return (turned(turn) - 90) % 360 if turn
          x, y = part.filter_map { |node| SIDES[node[:value].to_s.downcase] if node[:node] == :ident }.transpose.map(&:sum) if kind == "linear"
          x ? (Math.atan2(y, x) * 180 / Math::PI) % 360 : {"linear" => 90.0, "conic" => 270.0}.fetch(kind)
        end

        # Degrees.
        def turned(node) = ((node[:node] == :dimension) ? Notation::Arguments::ANGLES[node[:unit].to_s.downcase]&.then { |unit| node[:value] * unit } : nil)

        # A part is a colour with no, one or two places, or only a hint of where the middle lies.
        # @return [Array<Stop>]
        def stops(parts)
          parts.each_with_object([]) do |part, found|
            places, colour = part.reject { |node| node[:node] == :whitespace }.partition { |node| %i[percentage number dimension].include?(node[:node]) }
            places = places.map { |node| place(node) }
            next found.last&.hint = places.first if colour.empty?
            value = @value.colour(@value.whole(colour))
            (places.empty? ? [nil] : places).each { |offset| found << Stop.new(value, offset, Value.variable(colour)) }
          end
        end

        def place(node)
          return node[:value] / 100.0 if node[:node] == :percentage
          return turned(node) / 360 if turned(node)
          return 0.0 if node[:value].zero?
          raise Error, "a stop of the gradient lies at #{node[:raw].to_s[0, 20]}: expected per cent"
        end

        # What cannot be seen has no colour of its own (CSS Images 4, 3.4: colours are mixed premultiplied).
        def inks(stops)
          stops.each_with_index.map do |stop, index|
            clear = stop.colour.alpha.zero?
            Palette::Compound::Ink.new(colour: clear ? stop.colour.with(alpha: 1.0) : stop.colour, opacity: clear ? 0.0 : 1.0, offset: stop.offset, middle: middle(stop, stops[index + 1]))
          end
        end

        def middle(stop, following)
          return 0.5 unless stop.hint && following && following.offset > stop.offset
          ((stop.hint - stop.offset) / (following.offset - stop.offset)).clamp(Palette::Compound::MIDDLES).round(6)
        end

        # Those without a place lie evenly between their neighbours; none lies before
        # another that stands before it.
        # @return [Array<Stop>] the same
        def placed(stops)
          return stops if stops.empty?
          offsets = stops.map { |stop| stop.offset&.clamp(0.0, 1.0) }
          offsets[0] ||= 0.0
          offsets[-1] ||= 1.0
          offsets.each_index { |index| offsets[index] = [offsets[index], offsets.first(index).compact.max || 0.0].max if offsets[index] }
          offsets.each_index { |index| offsets[index] ||= filled(offsets, index) }
          stops.zip(offsets) { |stop, offset| stop.offset = offset }
          stops
        end

        def filled(offsets, index)
          after = (index...offsets.size).find { |each| offsets[each] }
          offsets[index - 1] + (offsets[after] - offsets[index - 1]) / (after - index + 1)
        end
      end
    end
  end
end
