module Magpie
  class Artwork
    # Pictures within a file, as addresses that hold their bytes. What a picture is, is told
    # by its bytes: old drawing programs name another media type, or none.
    module Embedded
      ADDRESS = /\Adata:[\w.+\/;=" -]{0,100}?base64\s*,/i
      BASE64 = %r{\A[A-Za-z0-9+/=\s]+\z}
      # What browsers and libvips show alike.
      FORMATS = %w[PNG JPEG GIF WebP].freeze
      TOLD_BY = 300 # characters of Base64

      module_function

      # @param address [String]
      # @return [String, nil] the same with its true media type; nil where it is no picture
      def written(address)
        head = address[ADDRESS] or return
        bytes = address[head.size..]
        return unless bytes.match?(BASE64)
        format = Picture::File.format(bytes[0, TOLD_BY].delete("^A-Za-z0-9+/").unpack1("m"))
        "data:#{format.media_type};base64,#{bytes}" if format && FORMATS.include?(format.name)
      end
    end
  end
end
