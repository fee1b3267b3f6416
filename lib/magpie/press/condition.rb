require "numo/narray"

module Magpie
  module Press
    # A printing process by its ICC profile: ink values and the colours they print as.
    # Little CMS, relative colorimetric with black point compensation. Single colours go
    # to Little CMS directly, with transforms that are made once; libvips makes one for
    # each image, which takes 50 ms.
    class Condition
      attr_reader :name, :profile

      # @param name [String]
      # @param profile [String] bytes of an ICC profile for four inks
      def initialize(name, profile)
        @name, @profile = name, profile
        @making = Mutex.new
      end

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

      # What the press makes of a colour.
      # @return [Hash] inks 0..100; total_ink their sum; de2000 between the colour and
      #   its print; inside the press's gamut or not
      def proof(color)
        lab = color.in(:lab)
        inks = (color.model == :cmyk) ? color.components : from_lab(lab)
        de2000 = Difference::Ciede2000.of(lab, to_lab(inks))
        {inks:, total_ink: inks.sum, de2000:, inside: de2000 <= OUTSIDE}
      end

      private

      def convert(transform, values, channels)
        from = FFI::MemoryPointer.new(:double, values.size).write_array_of_double(values)
        to = FFI::MemoryPointer.new(:double, channels)
        LittleCms.cmsDoTransform(transform, from, to, 1)
        to.read_array_of_double(channels)
      end

      # [inks to Lab, Lab to inks], for the life of the process.
      def transforms
        @making.synchronize do
          @transforms ||= begin
            press = LittleCms.cmsOpenProfileFromMem(FFI::MemoryPointer.from_string(profile), profile.bytesize)
            lab = LittleCms.cmsCreateLab4Profile(nil)
            raise Error, "the profile of the press condition #{name} cannot be read" if press.null?
            [[press, LittleCms::CMYK, lab, LittleCms::LAB], [lab, LittleCms::LAB, press, LittleCms::CMYK]].map do |from, from_format, to, to_format|
              LittleCms.cmsCreateTransform(from, from_format, to, to_format, LittleCms::RELATIVE, LittleCms::FLAGS)
            end
          end
        end
      end
    end
  end
end
