module Magpie
  # Bytes from outside turned into text.
  module Text
    BYTE_ORDER_MARKS = {
      "\xEF\xBB\xBF".b => Encoding::UTF_8,
      "\xFF\xFE".b => Encoding::UTF_16LE,
      "\xFE\xFF".b => Encoding::UTF_16BE
    }.freeze

    module_function

    # UTF-8, UTF-16 with a mark, Latin-1 as the last resort; line ends become \n.
    # @raise [Magpie::Error] when the bytes hold no text
    def decode(bytes)
      bytes = bytes.b
      mark, encoding = BYTE_ORDER_MARKS.find { |start, _| bytes.start_with?(start) }
      text = bytes.delete_prefix(mark.to_s).force_encoding(encoding || Encoding::UTF_8)
      text = text.force_encoding(Encoding::ISO_8859_1) if !encoding && !text.valid_encoding?
      text = text.encode(Encoding::UTF_8)
      raise Error, "this is not text: it holds a zero byte at #{text.index("\0")}" if text.include?("\0")
      text.gsub(/\r\n?/, "\n")
    rescue EncodingError
      raise Error, "the text is marked as #{encoding} but is damaged"
    end

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
      many = word.sub(/y\z/, "ie").sub(/ch\z/, "che") + "s"
      "#{number} #{(number == 1) ? word : many}"
    end

    # "340 kB", "3.1 MB"
    def bytes(number) = (number < 1_000_000) ? "#{(number / 1000.0).ceil} kB" : "#{(number / 1_000_000.0).round(1)} MB"

    # "poster, badge and ticket"
    def list(words) = (words.size < 2) ? words.join : "#{words[0..-2].join(", ")} and #{words.last}"
  end
end
