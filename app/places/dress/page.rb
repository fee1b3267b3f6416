module Places
  module Dress
    # What Dress shows: an artwork on the stage, others beside it, the part that is picked,
    # and the colours in the artwork.
    class Page
      OTHERS = 8

      # @!attribute near [Chip, nil] the swatch that is nearest, and its ΔE00
      Stray = Struct.new(:hex, :parts, :near, :difference) do
        # ΔE00 below which it is the same to the eye, and above which nothing is near.
        def same? = difference < 0.05

        def near? = !same? && difference < 10
      end

      # @param desk [Frame::Desk]
      # @param param [Frame::Asked] of the request
      def initialize(desk, param)
        @desk, @param = desk, param
      end

      def artworks = @artworks ||= @desk.rows.artworks

      # @return [Artwork, nil] the one asked for, or the first
      def artwork = @artwork ||= artworks.find { |each| each.id.to_s == @param[:artwork] } || artworks.first

      def others = @others ||= artworks.without(artwork).first(OTHERS)

      def more_than_shown? = artworks.size > others.size + 1

      # Parts of an artwork that is shown.
      def parts_of(each)
        @counts ||= Dressing.part_counts([artwork, *others].map(&:id))
        @counts.fetch(each.id, 0)
      end

      # Without a swatch to sweep, parts are picked.
      def tool
        asked = @param[:tool] || ("pick" unless @desk.hand.content)
        (asked == "pick") ? "pick" : "sweep"
      end

      # @return [Picked, nil]
      def picked
        return @picked if defined?(@picked)
        part = artwork.parts.includes(places: :swatch).find_by(key: @param.text(:part)) if artwork && @param[:part]
        @picked = part && Picked.new(part)
      end

      # @return [Array<[Chip, Integer]>] with the number of parts
      def linked = colours.linked

      # @return [Array<Stray>]
      def strays = @strays ||= colours.strays.map { |hex, parts| Stray.new(hex, parts, *nearest(hex)) }

      # @return [Hash{Group => Array<Chip>}] none that are empty
      def rack = @desk.groups.to_h { |group| [group, @desk.chips[group.id]] }.reject { |_, chips| chips.empty? }

      # The swatch in hand, if the project uses it.
      # @return [Chip, nil]
      def held = @held ||= @desk.hand.content&.swatch_id&.then { |id| @desk.used_chips.find { |each| each.id == id } }

      # What it reaches.
      def reach = @reach ||= Reach.new(@desk.actor, [held.id], most: 3)

      private

      def colours = @colours ||= ArtworkColours.new(@desk.dressing(artwork), @desk.used_chips)

      def nearest(hex) = @desk.used_index.nearest(Magpie::Notation.parse(hex)) || [nil, Float::INFINITY]
    end
  end
end
