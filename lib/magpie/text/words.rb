module Magpie
  module Text
    module_function

    UNCLEAN = /[[:cntrl:]]|[[:space:]&&[^ ]]|  |\A | \z/

    # A name as people may type it: no control characters, single spaces, not too long.
    def name(value, longest: 200)
      return value[0, longest] if value.is_a?(String) && value.valid_encoding? && !value.match?(UNCLEAN)
      value.to_s.scrub("").gsub(/[[:cntrl:][:space:]]+/, " ").strip[0, longest]
    end

    # Without what no XML file may hold. XML 1.0, 2.2, "Char".
    def xml(text) = text.gsub(/[^\t\n\r\u{20}-\u{D7FF}\u{E000}-\u{FFFD}\u{10000}-\u{10FFFF}]/, "")

    # A name that only has letters, digits and hyphens, for files and identifiers.
    def slug(value, otherwise)
      slug = value.to_s.unicode_normalize(:nfkd).gsub(/\p{Mn}/, "").downcase.gsub(/[^a-z0-9]+/, "-").gsub(/\A-+|-+\z/, "")
      slug.empty? ? otherwise : slug
    end

    # "1 place", "3 places", "2 swatches", "4 entities", "6,000 colours"
    def count(number, word)
      many = word.sub(/(?<![aeiou])y\z/, "ie").sub(/ch\z/, "che") + "s"
      "#{thousands(number)} #{(number == 1) ? word : many}"
    end

    # "10,000,000"
    def thousands(number) = number.to_s.gsub(/(\d)(?=(?:\d{3})+\z)/, '\1,')

    # "340 kB", "3.1 MB"
    def bytes(number) = (number < 1_000_000) ? "#{(number / 1000.0).ceil} kB" : "#{(number / 1_000_000.0).round(1)} MB"

    # "poster, badge and ticket"
    def list(words) = (words.size < 2) ? words.join : "#{words[0..-2].join(", ")} and #{words.last}"
  end
end
