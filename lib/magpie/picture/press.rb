require "ffi"

module Magpie
  class Picture
    # Ink values and the colours they print as, by libvips' own CMYK profile: Little
    # CMS, relative colorimetric with black point compensation. Single colours go to
    # Little CMS directly, with transforms that are made once; libvips makes one for
    # each image, which takes 50 ms.
    module Press
      # liblcms2, which libvips is built on. Source of the constants: lcms2.h.
      module LittleCms
        extend FFI::Library

        ffi_lib ["lcms2", "liblcms2.so.2"]
        attach_function :cmsOpenProfileFromMem, [:pointer, :uint32], :pointer
        attach_function :cmsCreateLab4Profile, [:pointer], :pointer
        attach_function :cmsCreateTransform, %i[pointer uint32 pointer uint32 uint32 uint32], :pointer
        attach_function :cmsDoTransform, %i[pointer pointer pointer uint32], :void

        # Floating point, the colour space's number, the number of channels, doubles.
        LAB = 1 << 22 | 10 << 16 | 3 << 3
        CMYK = 1 << 22 | 6 << 16 | 4 << 3
        RELATIVE = 1
        # No cache (threads share the transforms), no tables in place of the profile's
        # own, black point compensation.
        FLAGS = 0x0040 | 0x0100 | 0x2000
      end

      module_function

      # @param inks [Array<Float>] four, 0..100
      # @return [Array<Float>] Lab, D50
      def to_lab(inks) = convert(transforms[0], inks.map { |ink| ink.clamp(0, 100) }, 3)

      # @param lab [Array<Float>] D50
      # @return [Array<Float>] four inks, 0..100
      def from_lab(lab) = convert(transforms[1], lab, 4).map { |ink| ink.clamp(0, 100) }

      # What the press makes of many Lab colours.
      # @param lab [Array<Numo::DFloat>] three columns
      # @return [Array<Numo::DFloat>] three columns
      def printed(lab)
        count = lab.first.size
        rows = Numo::DFloat.zeros(count, 3)
        lab.each_with_index { |column, axis| rows[true, axis] = column }
        to_inks, to_lab = transforms.reverse
        inks, back = FFI::MemoryPointer.new(:double, count * 4), FFI::MemoryPointer.new(:double, count * 3)
        LittleCms.cmsDoTransform(to_inks, FFI::MemoryPointer.new(:double, count * 3).put_bytes(0, rows.to_binary), inks, count)
        LittleCms.cmsDoTransform(to_lab, inks, back, count)
        printed = Numo::DFloat.from_binary(back.read_bytes(count * 24)).reshape(count, 3)
        (0..2).map { |axis| printed[true, axis].dup }
      end

      # ΔE00 above which a colour is outside the press's gamut.
      OUTSIDE = 2.0

      # What the press makes of a colour.
      # @return [Hash] inks 0..100; total_ink their sum; de2000 between the colour and
      #   its print; inside the press's gamut or not
      def proof(color)
        lab = color.in(:lab)
        inks = (color.model == :cmyk) ? color.components : from_lab(lab)
        de2000 = Difference::Ciede2000.of(lab, to_lab(inks))
        {inks:, total_ink: inks.sum, de2000:, inside: de2000 <= OUTSIDE}
      end

      def convert(transform, values, channels)
        from = FFI::MemoryPointer.new(:double, values.size).write_array_of_double(values)
        to = FFI::MemoryPointer.new(:double, channels)
        LittleCms.cmsDoTransform(transform, from, to, 1)
        to.read_array_of_double(channels)
      end

      # [inks to Lab, Lab to inks], for the life of the process.
      def transforms
        MAKING.synchronize do
          @transforms ||= begin
            bytes = profile
            press = LittleCms.cmsOpenProfileFromMem(FFI::MemoryPointer.from_string(bytes), bytes.bytesize)
            lab = LittleCms.cmsCreateLab4Profile(nil)
            raise Error, "the press condition's profile cannot be read" if press.null?
            [[press, LittleCms::CMYK, lab, LittleCms::LAB], [lab, LittleCms::LAB, press, LittleCms::CMYK]].map do |from, from_format, to, to_format|
              LittleCms.cmsCreateTransform(from, from_format, to, to_format, LittleCms::RELATIVE, LittleCms::FLAGS)
            end
          end
        end
      end

      # The profile that libvips ships.
      def profile
        Vips.call("the press condition") do
          ::Vips::Image.black(1, 1, bands: 3).copy(interpretation: :srgb).icc_transform("cmyk", input_profile: "srgb").get("icc-profile-data")
        end
      end

      MAKING = Mutex.new
      private_constant :MAKING
    end
  end
end
