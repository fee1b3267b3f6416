module Places
  module Dress
    # The colourways of an artwork, the first one before the others.
    class Family
      # @param artwork [Artwork] one of them
      # @param artworks [Array<Artwork>] of the project, without colourways
      # @param colourways [Hash{Integer => Array<Artwork>}] by the first
      def initialize(artwork, artworks, colourways)
        @artwork, @first = artwork, artworks.find { |each| each.id == artwork.drawn_id }
        @ways = colourways.fetch(artwork.drawn_id, [])
      end

      # @return [Artwork]
      attr_reader :first

      # @return [Array<Artwork>]
      def all = [first, *@ways]

      def others = all.without(@artwork)

      def several? = @ways.any?

      # The one that stands so many places on, round and round.
      # @return [Artwork]
      def beside(each, by) = all[(all.index(each) + by) % all.size]

      # "5 changes"; of the first, how much there is.
      def words(each) = each.colourway? ? Magpie::Text.count(changes(each), "change") : Magpie::Text.count(each.part_count, "part")

      # How many of its places differ from the first's.
      def changes(each) = counts.fetch(each.id, 0)

      # @return [Boolean] does it stand at this end of those that can be moved?
      def top?(each) = @ways.first == each

      def bottom?(each) = @ways.last == each

      private

      def counts = @counts ||= Place.where(artwork_id: @ways.map(&:id)).group(:artwork_id).count
    end
  end
end
