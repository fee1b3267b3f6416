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
        Format.new("GIF", "image/gif", /\AGIF8[79]a/n, :gifload_buffer),
        Format.new("TIFF", "image/tiff", /\A(II[*+]\0|MM\0[*+])/n, :tiffload_buffer),
        Format.new("AVIF", "image/avif", /\A.{4}ftyp(avif|avis)/mn, :heifload_buffer),
        Format.new("HEIC", "image/heic", /\A.{4}ftyp(heic|heix|heim|heis|hevc|mif1|msf1)/mn, :heifload_buffer),
        Format.new("SVG", "image/svg+xml", /\A(\x1F\x8B|(\xEF\xBB\xBF)?\s*<(\?xml|!DOCTYPE svg|!--|svg[\s>]))/n, :svg)
      ].freeze
      NAMES = Text.list(FORMATS.map(&:name)).sub(" and ", " or ")

      # A drawing has no pixels of its own; it is drawn so that its longer side has these.
      DRAWN = 2400
      HUGE = 1_000_000 # pixels of a side

      # @return [Format, nil]
      def self.format(bytes)
        start = bytes.byteslice(0, 200).b
        FORMATS.find { |format| format.signature.match?(start) }
      end

      def initialize(bytes, name, draw = nil)
        @bytes, @name, @draw = bytes, name, draw
      end

      # What the file is: {format, bits, space, plain, bytes}. `plain` says that a
      # browser shows the file itself exactly as it is read here.
      attr_reader :facts

      # @return [Vips::Image] decoded, upright, in memory; carries a profile only
      #   where it is another than sRGB
      # @raise [Magpie::Error]
      def image
        raise Error, "#{@name} is empty" if @bytes.empty?
        raise Error, "#{@name} has #{@bytes.bytesize / 1_048_576} MB, the limit is 60 MB" if @bytes.bytesize > LARGEST_BYTES
        format = File.format(@bytes) or raise Error, "#{@name} is not a picture that I can read: expected #{NAMES}, found #{found}"
        Vips.call(@name) { (format.loader == :svg) ? draw : decode(format) }
      end

      private

      def decode(format)
        header = ::Vips::Image.public_send(format.loader, @bytes)
        check_size(header)
        # From top to bottom and all of it now: a decoder that is asked for pieces here and
        # there leaves those that are damaged black, and says nothing.
        pixels = known(Vips.held(::Vips::Image.public_send(format.loader, @bytes, fail_on: :truncated, access: :sequential)).autorot)
        pixels = without_profile(pixels) if Pixels.profile?(pixels) && Pixels.srgb_profile?(pixels)
        @facts = {format: format.name, bits: bits(header), space: space(pixels), plain: plain?(format, header, pixels), bytes: @bytes.bytesize}
        pixels
      end

      # Sanitised as an artwork is, so that it can load nothing and run nothing.
      def draw
        raise Error, "#{@name} is a drawing, which has no pixels" unless @draw
        drawing = @draw.call(@bytes, @name)
        @facts = {format: "SVG", bits: 8, space: "sRGB", plain: false, bytes: @bytes.bytesize}
        header = ::Vips::Image.svgload_buffer(drawing, unlimited: true)
        sides = [header.width, header.height]
        drawing, sides = sized(drawing, sides) if sides.max > HUGE
        drawing.include?("<filter") ? filtered(drawing, sides) : drawn(drawing, DRAWN / sides.max.to_f)
      end

      # One that says it is larger than libvips can shrink is told to be as large as it is
      # drawn.
      def sized(drawing, sides)
        wanted = sides.map { |side| [(side * DRAWN / sides.max.to_f).round, 1].max }
        [drawing.sub(/<svg[^>]*>/) { |root| root.gsub(/ (width|height)="[^"]*"/, "").sub("<svg", %(<svg width="#{wanted[0]}" height="#{wanted[1]}")) }, wanted]
      end

      def drawn(drawing, scale) = ::Vips::Image.svgload_buffer(drawing, scale:, unlimited: true).copy(interpretation: :srgb).copy_memory

      # libvips draws in pieces of 2,000 pixels, and each piece runs the filters of the whole
      # drawing again: at half the size there is one piece with a quarter of the pixels, which
      # takes a tenth of the time. What filters make is soft, so it may be enlarged.
      def filtered(drawing, sides)
        small = drawn(drawing, DRAWN / 2 / sides.max.to_f)
        width, height = sides.map { |side| [(side * DRAWN / sides.max.to_f).round, 1].max }
        small.resize(width / small.width.to_f, vscale: height / small.height.to_f, kernel: :nearest).copy_memory
      end

      # Brings what pictures rarely are (Lab, XYZ, float greys, one bit) to what
      # Pixels knows.
      def known(image)
        raise Error, "#{@name} has #{image.bands} bands: expected 1 to 5" if image.bands > 5 || image.interpretation == :multiband && image.bands > 4
        case [image.interpretation, image.format]
        in [:srgb | :"b-w" | :cmyk, :uchar] | [:rgb16 | :grey16 | :cmyk, :ushort] | [:scrgb, :float] then image
        in [:rgb | :multiband, :uchar] then image.copy(interpretation: (image.bands < 3) ? :"b-w" : :srgb)
        in [_, :uchar | :ushort | :float | :double] | [:labs, :short] then image.colourspace(:rgb16)
        else raise Error, "#{@name} holds #{image.format} numbers in #{image.interpretation}: expected whole numbers of 8 or 16 bits"
        end
      end

      def bits(header) = {uchar: 8, ushort: 16, short: 16}.fetch(header.format, 32)

      def space(pixels)
        return Profile.name(pixels.get("icc-profile-data")) if Pixels.profile?(pixels)
        {cmyk: "CMYK without a profile", "b-w": "grey", grey16: "grey"}.fetch(pixels.interpretation, "sRGB")
      end

      def plain?(format, header, pixels)
        %w[PNG JPEG WebP GIF].include?(format.name) && pixels.format == :uchar && pixels.interpretation != :cmyk && !Pixels.profile?(pixels) &&
          (format.name == "JPEG" || !turned?(header)) && !moving?(header)
      end

      def turned?(header) = header.get_typeof("orientation") != 0 && header.get("orientation") > 1

      # Browsers play what moves; read is its first picture.
      def moving?(header) = header.get_typeof("n-pages") != 0 && header.get("n-pages") > 1 || @bytes.byteslice(0, 4096).b.include?("acTL")

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
