module Places
  module Dress
    # The part that something is carried from, as the hand shows it.
    class Carrying
      # @param all [Array<Artwork>] that it may be in
      # @param text [String, nil] "artwork.number"
      # @param choices [Frame::Choices]
      def initialize(all, text, choices)
        id, @number = text.to_s[/\A\d{1,18}\.\d{1,6}\z/]&.split(".")&.map(&:to_i)
        @artwork, @choices = all.find { |each| each.id == id }, choices
      end

      attr_reader :artwork, :number

      # @return [Array<String>] keys of Changes::CarryDress::WHAT
      def what = @choices[:carrying].split(",")

      # With one more or less.
      def what_with(each) = (what.include?(each) ? what - [each] : what + [each]).join(",")

      # @return [Part, nil] nil where none is taken yet
      def part = @part ||= artwork&.parts&.find_by(position: number, kind: "part")

      def from = part && "#{artwork.id}.#{number}"

      # What it is painted with.
      # @return [Picked]
      def picked = @picked ||= Picked.new(artwork, [number])
    end
  end
end
