module Magpie
  class Artwork
    # Links the stray colours of a drawing to the swatches of a palette, each that is taken
    # for one: by the nearest, when it is near enough; by order, the colour that is used most
    # to the first swatch; or by name, a part to the swatch that is called as it is.
    class Linking
      WAYS = %w[nearest order name].freeze
      WITHIN = 2.0 # ΔE00

      # What is left.
      # @!attribute nearest [Palette::Swatch, nil]
      # @!attribute difference [Float, nil] ΔE00 to it
      Stray = Struct.new(:hex, :places, :nearest, :difference)

      # @param artwork [Artwork]
      # @param palette [Palette]
      # @param by [String] one of WAYS
      # @param within [Float] ΔE00 up to which the nearest is taken
      # @raise [Magpie::Error]
      def initialize(artwork, palette, by: "nearest", within: WITHIN)
        raise Error, "#{by} is no way to link: expected #{Text.list(WAYS).sub(" and ", " or ")}" unless WAYS.include?(by)
        @artwork, @by, @within = artwork, by, within
        @swatches = palette.swatches.reject(&:compound)
        raise Error, "the palette has no colours" if @swatches.empty?
      end

      # @return [Array<Palette::Swatch>] those that something is linked to, in their order
      def used = @swatches & paints.values.filter_map(&:reference)

      # @return [Hash{[key, role] => Paint}] as painters take them; the reference of what is
      #   linked is its swatch
      def paints
        @paints ||= @artwork.places.to_h { |place| [[place.part, place.role], linked(place)] }
      end

      # Places with a colour.
      def places = @artwork.places.count { |place| place.paint.kind == :plain }

      def linked_places = paints.each_value.count(&:reference)

      # @return [Array<Stray>] those with most places first
      def strays
        left = paints.each_value.select { |paint| paint.kind == :plain && paint.reference.nil? }.map { |paint| paint.colour.hex }.tally
        left.sort_by { |hex, places| [-places, hex] }.map { |hex, places| Stray.new(hex, places, *nearest(hex)) }
      end

      private

      # What it follows is as opaque as the swatch, times the place.
      def linked(place)
        paint, swatch = place.paint, (place.paint.kind == :plain) ? swatch_for(place) : nil
        return paint unless swatch
        paint.dup.tap { |made| made.colour, made.reference = swatch.colour, swatch }
      end

      def swatch_for(place)
        case @by
        when "nearest" then nearest(place.paint.colour.hex).then { |swatch, difference| swatch if difference <= @within }
        when "order" then in_order[place.paint.colour.hex]
        else named[labels[place.part]]
        end
      end

      # {hex => Swatch} as far as there are swatches.
      def in_order
        @in_order ||= @artwork.places.filter_map { |place| place.paint.colour.hex if place.paint.kind == :plain }.tally.sort_by.with_index { |(_, uses), index| [-uses, index] }.map(&:first).zip(@swatches).to_h.compact
      end

      def named = @named ||= @swatches.reverse.to_h { |swatch| [swatch.name.downcase, swatch] }

      def labels = @labels ||= @artwork.parts.to_h { |part| [part.key, part.label.downcase] }

      # [Swatch, ΔE00]
      def nearest(hex) = (@nearest ||= {})[hex] ||= index.nearest(Notation.parse(hex))

      def index = @index ||= Library::Nearest.of(@swatches)
    end
  end
end
