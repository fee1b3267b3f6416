module Magpie
  class Picture
    # Pixels of a piece of a picture as colours in linear light: three columns (sRGB
    # primaries, not clipped, see Bulk) and their opacity 0..1.
    class Pixels
      NUMBERS = {uchar: Numo::UInt8, ushort: Numo::UInt16, float: Numo::SFloat, double: Numo::DFloat}.freeze

      # @param image [Vips::Image] every pixel is looked at
      # @return [Pixels] in reading order
      def self.of(image)
        colours, opacity = split(image)
        new(linear(colours), opacity ? numbers(opacity.cast(:double))[true, 0] : Numo::DFloat.ones(image.width * image.height))
      end

      attr_reader :linear, :alpha

      def initialize(linear, alpha)
        @linear, @alpha = linear, alpha
      end

      def size = alpha.size

      # Those that have any colour at all.
      def visible
        seen = (alpha > 0).where
        (seen.size == size) ? self : Pixels.new(linear.map { |column| column[seen].dup }, alpha[seen].dup)
      end

      class << self
        # Of so many pixels one, across and down; of a strip that is narrower still one across.
        # @return [Vips::Image]
        def every(step, image) = image.subsample([step, image.width].min, [step, image.height].min)

        # Does the picture's profile mean what sRGB means? Its primaries, white and a
        # grey are sent through both.
        def srgb_profile?(image)
          return false unless image.bands >= 3 && %i[srgb rgb].include?(image.interpretation)
          swatches = [[255, 0, 0], [0, 255, 0], [0, 0, 255], [255, 255, 255], [128, 128, 128]]
          strip = ::Vips::Image.new_from_array([[0] * swatches.size]).cast(:uchar)
          strip = strip.bandjoin([strip, strip]).copy(interpretation: :srgb)
          swatches.each_with_index { |rgb, x| strip = strip.draw_rect(rgb, x, 0, 1, 1) }
          strip = with_profile_of(image, strip)
          import(strip).to_a.first.zip(swatches).all? { |lab, rgb| Difference::Ciede2000.of(lab, Color.srgb8(*rgb).in(:lab)) < 0.3 }
        end

        # [the colour bands, opacity 0..1 or nil]
        def split(image)
          profiled = profile?(image) || image.interpretation == :cmyk
          return [profiled ? import(image) : image, nil] unless image.has_alpha?
          last = image.bands - 1
          colours = image.extract_band(0, n: last)
          [profiled ? import(colours) : colours, image.extract_band(last) / full_scale(image)]
        end

        def profile?(image) = image.get_typeof("icc-profile-data") != 0

        def with_profile_of(image, other)
          return other unless profile?(image)
          profile = image.get("icc-profile-data")
          other.mutate { |copy| copy.set_type!(::Vips::BLOB_TYPE, "icc-profile-data", profile) }
        end

        # @return [Numo::NArray] one row for each pixel, one column for each band
        def numbers(image) = NUMBERS.fetch(image.format).from_binary(image.write_to_memory).reshape(image.width * image.height, image.bands)

        private

        # Device values to Lab (D50, float) by the picture's own profile, or by
        # libvips' CMYK profile where an ink picture has none.
        def import(image)
          fallback = (image.interpretation == :cmyk) ? "cmyk" : "srgb"
          image.icc_import(embedded: true, input_profile: fallback, pcs: :lab, intent: :relative)
        end

        def linear(colours)
          rows = numbers(colours)
          columns = (0..2).map { |band| Numo::DFloat.cast(rows[true, (colours.bands < 3) ? 0 : band]) }
          return Bulk.lab_to_linear(columns) if colours.interpretation == :lab
          return columns if colours.interpretation == :scrgb
          Bulk.srgb_to_linear(columns.map { |column| column / full_scale(colours) })
        end

        def full_scale(image)
          return 1.0 if image.interpretation == :scrgb
          (image.format == :ushort) ? 65535.0 : 255.0
        end
      end
    end
  end
end
