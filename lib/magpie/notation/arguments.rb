module Magpie
  module Notation
    # The numbers of one notation, and its opacity.
    class Arguments
      NUMBER = /[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/
      ANGLES = {"" => 1.0, "°" => 1.0, "deg" => 1.0, "grad" => 0.9, "rad" => 180 / Math::PI, "turn" => 360.0}.freeze
      Value = Struct.new(:number, :unit)

      # @param slots [Array<Forms::Slot>]
      def initialize(slots, text, lenient)
        @slots = slots
        @text = text
        @lenient = lenient
      end

      # @return [Array] components as [Float], then the opacity 0..1
      # @raise [Magpie::Error]
      def read
        values, alpha = tokens
        count = @slots.size
        alpha = values.pop if alpha.nil? && values.size == count + 1
        names = Text.list(@slots.map(&:name))
        raise Error, "“#{Notation.excerpt(@text)}” has #{Text.count(values.size, "number")}: expected #{count}, #{names}" if values.size != count
        [@slots.zip(values).map { |slot, value| component(slot, value) }, opacity(alpha)]
      end

      private

      def tokens
        scanner = StringScanner.new(@text.strip)
        values = []
        alpha = nil
        until scanner.eos?
          if scanner.skip(%r{\s*/\s*})
            alpha = value(scanner)
            scanner.skip(/\s+/)
            raise Error, "nothing may follow the opacity, but “#{Notation.excerpt(scanner.rest)}” does" unless scanner.eos?
          else
            values << value(scanner)
            scanner.skip(/\s*[,;]\s*|\s+/)
          end
        end
        [values, alpha]
      end

      def value(scanner)
        return Value.new(0.0, :none) if scanner.skip(/none\b/)
        number = scanner.scan(NUMBER)
        unit = scanner.scan(/%|°|[a-z]+/).to_s if number
        ended = scanner.eos? || scanner.match?(%r{[\s,;/]})
        raise Error, "“#{Notation.excerpt("#{number}#{unit}#{scanner.rest[/\A[^\s,;]*/]}")}” is not a number" unless number && ended
        Value.new(Float(number.sub(/\.(?=e|\z)/, "")), unit)
      end

      def component(slot, value)
        return 0.0 if value.unit == :none
        (slot.kind == :angle) ? angle(slot, value) : number(slot, value)
      end

      def angle(slot, value)
        factor = ANGLES[value.unit] or raise Error, "#{slot.name} is #{shown(value)}: expected an angle such as 34, 34deg or 0.1turn"
        value.number * factor % 360
      end

      def number(slot, value)
        result = case value.unit
        when "" then value.number * slot.scale
        when "%" then value.number / 100 * slot.whole
        else raise Error, "#{slot.name} is #{shown(value)}: expected a number or a percentage"
        end
        within(slot, result, value)
      end

      def within(slot, result, value)
        range = slot.range
        return result if range.nil? || range.cover?(result)
        return result.clamp(range) if @lenient
        raise Error, "#{slot.name} is #{shown(value)}: expected #{expected(slot, value.unit)}"
      end

      def expected(slot, unit)
        return "0 or more" unless slot.range.end
        return "0% to 100%" if unit == "%"
        "0 to #{Forms.short(slot.range.end / slot.scale, 3)}"
      end

      def opacity(value)
        return 1.0 if value.nil? || value.unit == :none
        number = case value.unit
        when "" then value.number
        when "%" then value.number / 100
        end
        return number.clamp(0.0, 1.0) if number && (@lenient || number.between?(0, 1))
        raise Error, "opacity is #{shown(value)}: expected 0 to 1 or 0% to 100%"
      end

      def shown(value) = "#{Forms.short(value.number, 4)}#{value.unit}"
    end
  end
end
