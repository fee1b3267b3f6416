module Places
  module Dress
    # The colours in an artwork, or in all of the project: swatches that are followed, and
    # strays with the swatch that is nearest to each.
    class ColourList
      WITHIN = 2.0 # ΔE00 up to which strays are offered to be linked, unless chosen
      LIMITS = 0.0..20.0
      FAR = 10.0 # ΔE00 above which nothing is near

      # @!attribute uses [ArtworkColours::Uses]
      # @!attribute near [Chip, nil] the swatch that is nearest, and its ΔE00
      Stray = Struct.new(:hex, :uses, :near, :difference) do
        # The same to the eye.
        def same? = difference < 0.05

        def near? = difference < FAR

        # @return [String] ΔE00 as it is written
        def distance = format("%.1f", difference)

        # Strays that are an ink only have no place of their own.
        def places = uses.total - uses.inks
      end

      # @return [Array<Artwork>]
      attr_reader :artworks

      # @param desk [Frame::Desk]
      # @param artworks [Array<Artwork>]
      # @param chosen [String, nil] "s12" or "#E46F58", the one that something is to be done with
      def initialize(desk, artworks, chosen = nil)
        @desk, @artworks, @chosen = desk, artworks, chosen
      end

      # @return [Array<[Chip, ArtworkColours::Uses]>] most first
      def linked = colours.linked

      # @return [Array<Stray>]
      def strays = @strays ||= colours.strays.map { |hex, uses| Stray.new(hex, uses, *nearest(hex)) }

      # Outfits that are worn, each by how many parts.
      # @return [Array<[Integer, Integer]>] ids, most first
      def outfits = @outfits ||= Artwork.places_shown(@artworks).where.not(outfit_id: nil).group(:outfit_id).distinct.count(:part_id).sort_by { |id, parts| [-parts, id] }

      def empty? = linked.empty? && strays.empty?

      # @return [Array<Stray>] those that a swatch is near enough to
      def within(limit) = strays.select { |stray| stray.places > 0 && stray.difference <= limit }

      # @return [Chip, Stray, nil]
      def chosen = @found ||= @chosen && (linked.map(&:first).find { |chip| "s#{chip.id}" == @chosen } || strays.find { |stray| stray.hex == @chosen })

      def chosen?(key) = key == @chosen

      private

      def colours = @colours ||= ArtworkColours.new(@artworks, @desk.used_chips)

      # Nothing is linked to a gradient or pattern for a colour in it.
      def nearest(hex) = index.nearest(Magpie::Notation.parse(hex), alike: true) || [nil, Float::INFINITY]

      def index = @index ||= Magpie::Library::Nearest.of(@desk.used_chips.reject(&:paint_json))
    end
  end
end
