module Magpie
  module Vision
    # Two colours side by side in the light of a room: what each looks like there, and how far
    # apart they are. From both spectra where they were measured; otherwise from what eyes do
    # with light, which is an estimate, and knows nothing of inks that part.
    class Room
      # What a light is: its name, what colours look like under it without spectra, and the
      # light that spectra are seen by. Nobody measured dusk.
      Kind = Struct.new(:key, :name, :light) do
        # @return [Looking]
        def looking = (key == :tubes) ? Looking.under(light, Looking::BY_TUBES) : Looking.at(key)
      end
      KINDS = [Kind.new(:bright, "Bright light", Light::D50), Kind.new(:lamp, "Warm lamp", Light::A), Kind.new(:tubes, "Shop tubes", Light::F11), Kind.new(:dusk, "Dusk", nil)].freeze

      # How a pair is under a light.
      # @!attribute colours [Array<Color>] two, in sRGB
      # @!attribute difference [Float] ΔE00, to an eye that has adapted
      # @!attribute measured [Boolean] from spectra?
      Seen = Struct.new(:kind, :colours, :difference, :measured)

      # A pair that is nearer than this in daylight counts as a match there; and parts under a
      # light where it is not one, and is so much further apart.
      MATCH, PARTED = 2.0, 1.0

      # @param colours [Array<Color>] two
      # @param spectra [Array<Spectrum, nil>] theirs
      def initialize(colours, spectra = [nil, nil])
        @colours, @spectra = colours, (spectra if spectra.size == 2 && spectra.all?)
      end

      def measured? = !@spectra.nil?

      # Without spectra there is nothing to say of tubes.
      # @return [Array<Seen>]
      def seen = @seen ||= KINDS.filter_map { |kind| (measured? && kind.light) ? by_spectra(kind) : estimated(kind) }

      # Lights under which what matches in daylight parts.
      # @return [Array<Seen>]
      def parting
        return [] unless measured?
        daylight = seen.first.difference
        (daylight < MATCH) ? seen.select { |each| each.measured && each.difference >= [MATCH, daylight + PARTED].max } : []
      end

      private

      def by_spectra(kind)
        both = @spectra.map { |spectrum| spectrum.under(kind.light) }
        Seen.new(kind, both.map { |xyz| shown(xyz, kind) }, Difference::Ciede2000.of(*both.map { |xyz| kind.light.lab(xyz) }), true)
      end

      # On a screen whose white is D65.
      def shown(xyz, kind)
        daylight = Adaptation.of(xyz, from: kind.light.white, to: Color::WHITE_D65)
        kind.looking.of(Color.new(:xyz_d65, daylight))
      end

      def estimated(kind)
        return if kind.key == :tubes
        colours = @colours.map { |colour| kind.looking.of(colour) }
        Seen.new(kind, colours, Difference::Ciede2000.of(*colours.map { |colour| colour.in(:lab) }), false)
      end
    end
  end
end
