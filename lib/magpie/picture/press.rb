module Magpie
  class Picture
    # Ink values and the colours they print as, by libvips' CMYK profile, relative
    # colorimetric with black point compensation.
    module Press
      INTENT = {intent: :relative, black_point_compensation: true}.freeze

      module_function

      # @param inks [Array<Float>] four, 0..100
      # @return [Array<Float>] Lab, D50
      def to_lab(inks)
        pixel = image(inks.map { |ink| ink.clamp(0, 100) * 655.35 }).cast(:ushort).copy(interpretation: :cmyk)
        Vips.call("the press condition") { pixel.icc_import(input_profile: "cmyk", pcs: :lab, **INTENT).to_a[0][0] }
      end

      # @param lab [Array<Float>] D50
      # @return [Array<Float>] four inks, 0..100
      def from_lab(lab)
        pixel = image(lab).cast(:float).copy(interpretation: :lab)
        Vips.call("the press condition") { pixel.icc_export(output_profile: "cmyk", pcs: :lab, depth: 16, **INTENT).to_a[0][0].map { |ink| ink / 655.35 } }
      end

      def image(values)
        first, *rest = values.map { |value| ::Vips::Image.new_from_array([[value]]) }
        first.bandjoin(rest)
      end
    end
  end
end
