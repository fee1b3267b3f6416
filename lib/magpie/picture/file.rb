module Magpie
  class Picture
    # Turns the bytes of a picture file into upright pixels. The format is told by
    # content, never by name, and only these loaders are ever called.
    class File
      LARGEST_BYTES = 60 * 1024 * 1024
      LARGEST_PIXELS = 100_000_000

      Format = Struct.new(:name, :media_type, :signature, :loader)
      FORMATS = [
        Format.new("PNG", "image/png", /\A\x89PNG\r\n\x1A\n/n, :pngload_buffer),
        Format.new("JPEG", "image/jpeg", /\A\xFF\xD8\xFF/n, :jpegload_buffer),
        Format.new("WebP", "image/webp", /\ARIFF.{4}WEBP/mn, :webpload_buffer),
        Format.new("GIF", "image/gif", /\AGIF8[79]a/n, :gifload_buffer)
      ].freeze

      # @return [Format, nil]
      def self.format(bytes)
        start = bytes.byteslice(0, 16).b
        FORMATS.find { |format| format.signature.match?(start) }
      end

      def initialize(bytes, name)
        @bytes = bytes
        @name = name
      end

      # @return [Vips::Image] decoded, upright, in memory; carries a profile only
      #   where it is another than sRGB
      # @raise [Magpie::Error]
      def image
        raise Error, "#{@name} is empty" if @bytes.empty?
        raise Error, "#{@name} has #{@bytes.bytesize / 1_048_576} MB, the limit is 60 MB" if @bytes.bytesize > LARGEST_BYTES
        format = File.format(@bytes) or raise Error, "#{@name} is not a picture that I can read: expected PNG, JPEG, WebP or GIF, found #{found}"
        Vips.call(@name) { decode(format) }
      end

      private

      def decode(format)
        header = ::Vips::Image.public_send(format.loader, @bytes)
        check_size(header)
        pixels = ::Vips::Image.public_send(format.loader, @bytes, fail_on: :truncated).autorot
        pixels.avg # decodes it all, so that damage shows now and not in some later reading
        (pixels.get_typeof("icc-profile-data") != 0 && Pixels.srgb_profile?(pixels)) ? without_profile(pixels) : pixels
      end

      def check_size(header)
        pixels = header.width * header.height
        return if pixels <= LARGEST_PIXELS
        raise Error, "#{@name} is #{header.width} × #{header.height}, #{(pixels / 1_000_000.0).round} megapixels: the limit is #{LARGEST_PIXELS / 1_000_000}"
      end

      def without_profile(image)
        image.mutate { |copy| copy.remove!("icc-profile-data") }
      end

      def found
        return "text" if @bytes.byteslice(0, 200).b.match?(/\A[\t\n\r\x20-\x7E\x80-\xFF]+\z/n)
        "a file that begins with #{@bytes.byteslice(0, 4).unpack1("H*").scan(/../).join(" ")}"
      end
    end
  end
end
