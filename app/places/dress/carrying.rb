module Places
  module Dress
    # The part that something is carried from, or the outfit that is, as the hand shows it.
    class Carrying
      # @param all [Array<Artwork>] that it may be in
      # @param outfits [Array<DrawnOutfit>] that may be carried
      # @param text [String, nil] "artwork.number", or "outfit.number"
      # @param choices [Frame::Choices]
      def initialize(all, outfits, text, choices)
        @outfit = outfits.find { |each| "outfit.#{each.id}" == text }
        id, @number = text.to_s[/\A\d{1,18}\.\d{1,6}\z/]&.split(".")&.map(&:to_i)
        @artwork, @choices = all.find { |each| each.id == id }, choices
      end

      # @return [DrawnOutfit, nil]
      attr_reader :outfit

      attr_reader :artwork, :number

      # @return [Array<String>] keys of Changes::CarryDress::WHAT
      def what = @choices[:carrying].split(",")

      # With one more or less.
      def what_with(each) = (what.include?(each) ? what - [each] : what + [each]).join(",")

      # @return [Part, nil] nil where none is taken yet
      def part = @part ||= artwork&.parts&.find_by(position: number, kind: "part")

      def from = outfit ? "outfit.#{outfit.id}" : part && "#{artwork.id}.#{number}"

      # What it is painted with.
      # @return [Picked]
      def picked = @picked ||= Picked.new(artwork, [number])
    end
  end
end
