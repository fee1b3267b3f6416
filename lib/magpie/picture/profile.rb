module Magpie
  class Picture
    # What an ICC profile calls itself. Source: ISO 15076-1 (ICC.1:2010), tag table
    # in 7.3, profileDescriptionTag in 9.2.41, the older textDescriptionType of ICC.1:2001.
    module Profile
      LONGEST = 80

      module_function

      # @param bytes [String] a profile
      # @return [String]
      def name(bytes)
        offset, size = description(bytes)
        tag = (offset ? bytes.byteslice(offset, size).to_s.b : "").ljust(28, "\0") # as long as its head at least
        words = (tag[0, 4] == "mluc") ? unicode(tag) : tag.byteslice(12, [tag.byteslice(8, 4).unpack1("N") - 1, 0].max)
        words = Text.name(words.to_s.encode("UTF-8", invalid: :replace, undef: :replace, replace: ""), longest: LONGEST)
        words.empty? ? "a profile without a name" : words
      end

      # [offset, size] of the tag "desc".
      def description(bytes)
        count = bytes.byteslice(128, 4).to_s.unpack1("N").to_i.clamp(0, 100)
        (0...count).map { |i| bytes.byteslice(132 + i * 12, 12).to_s.unpack("a4NN") }.find { |signature, _, size| signature == "desc" && size }&.drop(1)
      end

      # The first language of a multiLocalizedUnicodeType.
      def unicode(tag)
        length, offset = tag.byteslice(20, 8).unpack("NN")
        tag.byteslice(offset, length).to_s.force_encoding(Encoding::UTF_16BE)
      end
    end
  end
end
