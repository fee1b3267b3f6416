module Magpie
  module Formats
    class Tokens < Format
      # The stops of a gradient token: format module 2025.10, "Gradient".
      class Stops
        # @param aliases [Aliases]
        # @param place [Array<String>] of the token, for messages
        # @yieldparam value [Object] of a colour token
        # @yieldreturn [Color]
        def initialize(aliases, place, &colour)
          @aliases, @place, @colour = aliases, place, colour
        end

        # @param value [Object]
        # @return [[Palette::Compound, Array<String, nil>]] and the alias of each stop that has one
        # @raise [Magpie::Error]
        def read(value)
          raise Error, "a gradient that is no list of stops" unless value.is_a?(Array)
          raise Error, "a gradient with #{Text.count(value.size, "stop")}: expected 2 to #{Palette::Compound::MOST}" unless value.size.between?(2, Palette::Compound::MOST)
          stops = value.map { |stop| stop(stop) }.sort_by.with_index { |(_, offset, _), index| [offset, index] }
          inks = stops.map { |colour, offset, _| Palette::Compound::Ink.new(colour:, offset:) }
          [Palette::Compound.new(form: "linear", angle: 0.0, size: Palette::Compound::SIZE, inks:).checked, stops.map(&:last)]
        end

        private

        def stop(stop)
          raise Error, "a stop of the gradient is #{stop.class.name.downcase}: expected a color and a position" unless stop.is_a?(Hash)
          position = value(stop["position"])
          raise Error, "a stop of the gradient lies at #{position.inspect[0, 40]}: expected 0 to 1" unless position.is_a?(Numeric) && position.to_f.finite?
          [@colour.call(value(stop["color"])), position.to_f.clamp(0.0, 1.0), (stop["color"] if alias?(stop["color"]))]
        end

        def alias?(value) = value.is_a?(String) && value.match?(Aliases::ALIAS)

        # What stands there, or what it stands for.
        def value(value) = alias?(value) ? @aliases.last({"$value" => value}, [*@place, value])["$value"] : value
      end
    end
  end
end
