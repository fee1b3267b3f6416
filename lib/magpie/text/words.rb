module Magpie
  module Text
    module_function

    # A name as people may type it: no control characters, single spaces, not too long.
    def name(value, longest: 200)
      value.to_s.scrub("").gsub(/[[:cntrl:][:space:]]+/, " ").strip[0, longest]
    end

    # A name that only has letters, digits and hyphens, for files and identifiers.
    def slug(value, otherwise)
      slug = value.to_s.unicode_normalize(:nfkd).gsub(/\p{Mn}/, "").downcase.gsub(/[^a-z0-9]+/, "-").gsub(/\A-+|-+\z/, "")
      slug.empty? ? otherwise : slug
    end

    # "1 place", "3 places", "2 swatches", "4 entities"
    def count(number, word)
      many = word.sub(/(?<![aeiou])y\z/, "ie").sub(/ch\z/, "che") + "s"
      "#{number} #{(number == 1) ? word : many}"
    end

    # "10,000,000"
    def thousands(number) = number.to_s.gsub(/(\d)(?=(?:\d{3})+\z)/, '\1,')

    # "340 kB", "3.1 MB"
    def bytes(number) = (number < 1_000_000) ? "#{(number / 1000.0).ceil} kB" : "#{(number / 1_000_000.0).round(1)} MB"

    # "poster, badge and ticket"
    def list(words) = (words.size < 2) ? words.join : "#{words[0..-2].join(", ")} and #{words.last}"
  end
end
