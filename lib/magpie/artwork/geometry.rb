module Magpie
  class Artwork
    # What the attributes that are no properties may hold: numbers, lengths, words, names,
    # transforms and paths. Only characters that they are written with go on, so none of
    # them can hold an address, a quote or a bracket that is not closed.
    #
    # No pattern here, nor elsewhere in this room, can match the same characters in two ways:
    # what a file holds may be megabytes long.
    module Geometry
      NUMBER = /[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?/
      # Only these can be too large: a long whole number, a power of ten.
      SUSPICIOUS = /(?<![.\d])\d{8}|\d[eE]\+?0*[1-9]/

      FORMS = {
        numbers: /\A[\d\s,.eE+-]*\z/,
        lengths: /\A[\d\s,.%a-zA-Z+-]*\z/,
        word: /\A[\w\s.%+-]*\z/,
        transform: /\A[\s,]*+(?:(?:matrix|translate|scale|rotate|skewX|skewY)\s*+\([\d\s,.eE+-]*+\)[\s,]*+)*+\z/
      }.freeze
      # Paths are drawn up to where they cannot be read (SVG 2, 9.5.4).
      PREFIXES = {path: /\A[MmZzLlHhVvCcSsQqTtAa\d\s,.eE+-]*/, points: /\A[\d\s,.eE+-]*/}.freeze
      # What costs more than its size shows.
      LIMITS = {"order" => 20, "numOctaves" => 12}.freeze

      module_function

      # @param name [String] one of Vocabulary::GEOMETRY
      # @return [String, nil] nil where it is nothing that may be
      # @raise [Magpie::Error] for numbers that cannot be drawn
      def write(name, value)
        kind = Vocabulary::GEOMETRY.fetch(name)
        return Identifiers.safe(value.strip) if kind == :name
        value = value[PREFIXES[kind]] if PREFIXES[kind]
        return if FORMS[kind] && !value.match?(FORMS[kind])
        check_numbers(name, value) unless kind == :word
        value
      end

      # @return [true]
      # @raise [Magpie::Error]
      def check_numbers(name, text)
        largest = LIMITS.fetch(name, Grammar::LARGEST)
        return true unless LIMITS[name] || text.match?(SUSPICIOUS)
        text.scan(NUMBER) do |number|
          raise Error, "#{name} is #{number[0, 20]}: numbers go up to #{Text.thousands(largest)}" unless number.to_f.abs <= largest
        end
        true
      end
    end
  end
end
