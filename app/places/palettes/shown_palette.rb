require "forwardable"

module Places
  module Palettes
    # A palette as it is shown, with its chips.
    class ShownPalette
      extend Forwardable

      def_delegators :@palette, :id, :name, :note, :tags, :groups, :columns, :rows

      # @param palette [Palette]
      # @param page [Page]
      def initialize(palette, page)
        @palette, @page, @desk = palette, page, page.desk
      end

      # @return [Array<Chip>]
      def chips = @chips ||= @desk.chips_in(@palette)

      def chips_of(group) = @desk.chips[group.id]

      def size = chips.size

      def shared = chips.count(&:shared)

      # @return [Array<DrawnOutfit>]
      def outfits = @page.outfits_of(id)

      # How many parts wear an outfit.
      def worn(outfit) = @page.wearing(outfit.id)

      # How many artworks follow it.
      def artworks = @page.artworks_of(id)

      # Is it looked at without being used?
      def only_opened? = !@desk.palettes.include?(@palette)

      def folded? = folded.include?(id.to_s)

      # What the choice becomes when it is folded or shown.
      def folded_or_not = (folded? ? folded - [id.to_s] : folded + [id.to_s]).join(",")

      # Swatches that a shift can change.
      def movable = chips.count { |swatch| !swatch.locked && !swatch.paint }

      # Places that follow a group.
      def places_of(group) = chips_of(group).sum { |swatch| @page.reach_of(swatch.id) }

      def chart = Chart.new(self)

      def grid = Grid.new(@palette, chips, @page)

      def ledger = Ledger.new(self, @page)

      private

      def folded = @page.choices[:folded].split(",")
    end
  end
end
