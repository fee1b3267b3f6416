module Magpie
  class Picture
    # Pixels of a small piece of a picture as colours in linear light.
    module Pixels
      # A pixel value that occurs: its colour (sRGB primaries, linear, not clipped),
      # its opacity 0..1 and how often it occurs.
      Pixel = Struct.new(:linear, :alpha, :count)

      module_function

      # @param image [Vips::Image] small: every pixel is looked at
      # @return [Array<Pixel>] one for each distinct value, in reading order
      def of(image)
        colours, opacity = split(image)
        values = colours.to_a.flatten(1)
        alphas = opacity ? opacity.to_a.flatten(1) : Array.new(values.size, [1.0])
        decode = decoder(colours)
        values.zip(alphas).tally.map { |(value, (alpha)), count| Pixel.new(decode.call(value), alpha, count) }
      end

      # Does the picture's profile mean what sRGB means? Its primaries, white and a
      # grey are sent through both.
      def srgb_profile?(image)
        return false unless image.bands >= 3 && %i[srgb rgb].include?(image.interpretation)
        swatches = [[255, 0, 0], [0, 255, 0], [0, 0, 255], [255, 255, 255], [128, 128, 128]]
        strip = ::Vips::Image.new_from_array([[0] * swatches.size]).cast(:uchar)
        strip = strip.bandjoin([strip, strip]).copy(interpretation: :srgb)
        swatches.each_with_index { |rgb, x| strip = strip.draw_rect(rgb, x, 0, 1, 1) }
        profile = image.get("icc-profile-data")
        strip = strip.mutate { |copy| copy.set_type!(::Vips::BLOB_TYPE, "icc-profile-data", profile) }
        import(strip).to_a.first.zip(swatches).all? { |lab, rgb| Difference::Ciede2000.of(lab, Color.srgb8(*rgb).in(:lab)) < 0.3 }
      end

      # [the colour bands, opacity 0..1 or nil]
      def split(image)
        profiled = image.get_typeof("icc-profile-data") != 0 || image.interpretation == :cmyk
        return [profiled ? import(image) : image, nil] unless image.has_alpha?
        last = image.bands - 1
        colours = image.extract_band(0, n: last)
        [profiled ? import(colours) : colours, image.extract_band(last) / full_scale(image)]
      end

      # Device values to Lab (D50, float) by the picture's own profile, or by
      # libvips' CMYK profile where an ink picture has none.
      def import(image)
        fallback = (image.interpretation == :cmyk) ? "cmyk" : "srgb"
        image.icc_import(embedded: true, input_profile: fallback, pcs: :lab, intent: :relative)
      end

      # A function from one pixel's numbers to linear sRGB.
      def decoder(colours)
        return ->(lab) { Color.new(:lab, lab).in(:srgb_linear) } if colours.interpretation == :lab
        return ->(value) { linear_rgb(value) } if colours.interpretation == :scrgb
        scale = full_scale(colours)
        ->(value) { Color.new(:srgb, three(value).map { |v| v / scale }).in(:srgb_linear) }
      end

      def linear_rgb(value) = three(value).map(&:to_f)

      def three(value) = (value.size < 3) ? [value.first] * 3 : value.first(3)

      def full_scale(image)
        return 1.0 if image.interpretation == :scrgb
        (image.format == :ushort) ? 65535.0 : 255.0
      end
    end
  end
end
