module Magpie
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
      mark, encoding = marked(bytes)
      text = bytes.delete_prefix(mark.to_s).force_encoding(encoding || Encoding::UTF_8)
      text = text.force_encoding(Encoding::ISO_8859_1) if !encoding && !text.valid_encoding?
      text = text.encode(Encoding::UTF_8)
      raise EncodingError unless text.valid_encoding?
      raise Error, "this is not text: it holds a zero byte at #{text.index("\0")}" if text.include?("\0")
      text.include?("\r") ? text.gsub(/\r\n?/, "\n") : text
    rescue EncodingError
      raise Error, "the text is marked as #{encoding} but is damaged"
    end

    # How it is encoded, for people.
    # @return [String]
    def encoding(bytes)
      encoding = marked(bytes.b)&.last
      return "UTF-16" if encoding && encoding != Encoding::UTF_8
      (encoding || bytes.dup.force_encoding(Encoding::UTF_8).valid_encoding?) ? "UTF-8" : "Latin-1"
    end

    def marked(bytes) = BYTE_ORDER_MARKS.find { |start, _| bytes.start_with?(start) }
  end
end
