require "vips"

module Magpie
  class Picture
    # A picture as a press prints it. Pure black, and greys by choice, are on black ink alone
    # here as they are in Press::Proof.
    module SoftProof
      PROFILE = "icc-profile-data" # where libvips looks for one

      module_function

      # @param image [::Vips::Image] sRGB, 8 bits, with or without opacity
      # @param condition [Press::Condition]
      # @param paper [Boolean] on the paper's own white?
      # @return [::Vips::Image] sRGB, 8 bits
      def of(image, condition, paper: false)
        rgb = image.extract_band(0, n: 3).copy(interpretation: :srgb)
        seen = on_black_ink(rgb, printed(rgb, condition, paper), condition, paper)
        (image.bands > 3) ? seen.bandjoin(image[3]) : seen
      end

      # By the profile, as a screen shows it.
      def printed(rgb, condition, paper)
        bpc = condition.black_point
        lab = rgb.icc_import(input_profile: "srgb", intent: :relative, pcs: :lab).mutate { |each| each.set_type!(::Vips::BLOB_TYPE, PROFILE, condition.profile) }
        inks = lab.icc_export(intent: condition.intent, black_point_compensation: bpc, depth: 16)
        seen = inks.icc_import(embedded: true, intent: paper ? :absolute : condition.seen, black_point_compensation: bpc, pcs: :lab)
        seen.icc_export(output_profile: "srgb", intent: :relative, depth: 8)
      end

      # What has no colour is looked up by its level.
      def on_black_ink(rgb, seen, condition, paper)
        plain = (rgb[0] == rgb[1]) & (rgb[1] == rgb[2])
        plain &= (rgb[0] == 0) unless condition.greys
        plain.ifthenelse(rgb[0].maplut(levels(condition, paper)), seen)
      end

      # @return [::Vips::Image] 256 × 1: what each grey is printed as
      def levels(condition, paper)
        shown = (0..255).map do |level|
          next "000000" unless condition.greys || level.zero?
          condition.proof(Color.new(:srgb, [level / 255.0] * 3)).seen(paper:).hex.delete("#")
        end
        ::Vips::Image.new_from_memory_copy([shown.join].pack("H*"), 256, 1, 3, :uchar)
      end
    end
  end
end
