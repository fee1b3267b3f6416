require "digest"
require "numo/narray"

module Magpie
  module Press
    # A printing process by its ICC profile: ink values and the colours they print as.
    # Single colours go to Little CMS directly, with transforms that are made once; libvips
    # makes one for each image, which takes 50 ms.
    #
    # Black ink stays alone where type is printed: pure black is 0 0 0 100 and not what the
    # profile has for it, and so are greys, where that was chosen. The profile's own numbers
    # are those of #from_lab.
    class Condition
      # Lightness and chroma in Lab up to which a colour is pure black, and chroma of a grey.
      BLACK, GREY = 0.1, 0.5

      attr_reader :name, :profile, :intent, :black_point, :greys, :limit

      # @param name [String]
      # @param profile [String] bytes of an ICC profile for four inks
      # @param intent [Symbol] a key of LittleCms::INTENTS
      # @param black_point [Boolean] whether the darkest of the press stands for black
      # @param greys [Boolean] whether greys are printed with black ink alone
      # @param limit [Float, nil] per cent of ink that one place may have in all
      def initialize(name, profile, intent: :relative, black_point: true, greys: false, limit: nil)
        raise Error, "#{intent.to_s[0, 40]} is no intent: expected #{Text.list(LittleCms::INTENTS.keys.map(&:to_s)).sub(" and ", " or ")}" unless LittleCms::INTENTS.key?(intent)
        @name, @profile, @intent, @black_point, @greys, @limit = name, profile, intent, black_point, greys, limit
        @making = Mutex.new
      end

      # @param inks [Array<Float>] four, 0..100
      # @param paper [Boolean] whether it lies on the paper's own white, instead of on what
      #   an eye that is used to the paper takes for white
      # @return [Array<Float>] Lab, D50
      def to_lab(inks, paper: false) = convert(transforms[paper ? 2 : 0], inks.map { |ink| ink.clamp(0, 100) }, 3)

      # @param lab [Array<Float>] D50
      # @return [Array<Float>] four inks, 0..100, as the profile has them
      def from_lab(lab) = convert(transforms[1], lab, 4).map { |ink| ink.clamp(0, 100) }

      # What the press makes of many Lab colours.
      # @param lab [Array<Numo::DFloat>] three columns
      # @return [Array<Numo::DFloat>] three columns
      def printed(lab) = bulk(transforms[0], bulk(transforms[1], lab, 4), 3)

      # What many inks print as.
      # @param inks [Array<Numo::DFloat>] four columns
      # @return [Array<Numo::DFloat>] three columns
      def printed_inks(inks) = bulk(transforms[0], inks, 3)

      # @return [Proof]
      def proof(color) = Proof.of(self, color)

      # Black ink alone, as much as comes to a lightness; all of it where that is darker.
      # @param lightness [Float] in Lab
      # @return [Float] per cent
      def black_ink(lightness)
        less, more = 0.0, 100.0
        30.times do
          middle = (less + more) / 2
          (to_lab([0.0, 0.0, 0.0, middle])[0] > lightness) ? less = middle : more = middle
        end
        more.round(4)
      end

      # Two with the same make the same of everything.
      # @return [String]
      def key = @key ||= Digest::SHA256.hexdigest([Digest::SHA256.hexdigest(profile), intent, black_point, greys, limit].join(" "))

      # For a cell, which makes its own transforms.
      def marshal_dump = [name, profile, {intent:, black_point:, greys:, limit:}]

      def marshal_load((name, profile, settings)) = initialize(name, profile, **settings)

      # The intent by which inks are seen again.
      # @return [Symbol]
      def seen = (intent == :absolute) ? :absolute : :relative

      # Without the profile's bytes.
      def inspect = "#<#{self.class} #{name}>"

      private

      def convert(transform, values, channels)
        from = FFI::MemoryPointer.new(:double, values.size).write_array_of_double(values)
        to = FFI::MemoryPointer.new(:double, channels)
        LittleCms.cmsDoTransform(transform, from, to, 1)
        to.read_array_of_double(channels)
      end

      def bulk(transform, columns, channels)
        count = columns.first.size
        rows = Numo::DFloat.zeros(count, columns.size)
        columns.each_with_index { |column, axis| rows[true, axis] = column }
        made = FFI::MemoryPointer.new(:double, count * channels)
        LittleCms.cmsDoTransform(transform, FFI::MemoryPointer.new(:double, rows.size).put_bytes(0, rows.to_binary), made, count)
        rows = Numo::DFloat.from_binary(made.read_bytes(count * channels * 8)).reshape(count, channels)
        (0...channels).map { |axis| rows[true, axis].dup }
      end

      # [inks to Lab, Lab to inks, inks to Lab on the paper's white], for the life of the
      # process. What was brought to the press as absolute is seen as absolute again.
      def transforms
        @making.synchronize do
          @transforms ||= begin
            press = LittleCms.cmsOpenProfileFromMem(FFI::MemoryPointer.from_string(profile), profile.bytesize)
            raise Error, "the profile of the press condition #{name} cannot be read" if press.null?
            inks, lab = [press, LittleCms::CMYK], [LittleCms.cmsCreateLab4Profile(nil), LittleCms::LAB]
            made = [transform(inks, lab, seen), transform(lab, inks, intent), transform(inks, lab, :absolute)]
            raise Error, "the profile of the press condition #{name} has no tables for the intent #{intent}" if made.any?(&:null?)
            made
          end
        end
      end

      def transform(from, to, way)
        flags = LittleCms::FLAGS | (black_point ? LittleCms::BLACK_POINT : 0)
        LittleCms.cmsCreateTransform(*from, *to, LittleCms::INTENTS.fetch(way), flags)
      end
    end
  end
end
