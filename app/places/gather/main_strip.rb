module Places
  module Gather
    # The main colours of what is looked at, under it.
    class MainStrip
      # The least share of the strip, of 1000, so that an accent can be seen and clicked.
      LEAST = 25

      attr_reader :readable, :problem

      # @param readable [Source, Artwork]
      # @param seen [Seen] its picture
      # @param choices [Frame::Choices]
      def initialize(readable, seen, choices)
        @readable, @seen, @choices = readable, seen, choices
        @main = MainColours.new(seen, choices.main_colours)
      end

      # Finds them, which takes a moment.
      def find
        @main.to_a
      rescue Magpie::Error => error
        @problem = error.message.sub(/\A./, &:upcase)
      end

      # Are they found already?
      def found? = @main.found?

      # @return [Array<Magpie::Picture::MainColours::MainColour>]
      def colours = @main.to_a

      # What a form says that it showed.
      def saw = colours.map { |each| each.colour.hex }.join(",")

      # How wide one is, in thousandths and a bit.
      def width_of(each) = (each.share * 1000).round + LEAST

      def share_of(each) = (each.share < 0.01) ? "< 1" : (each.share * 100).round

      def name_of(each) = Magpie::ColorName.suggest(each.colour)

      # Tells the picture and what was chosen from others.
      def key = [@seen.key, *@choices.main_colours.values].join("-")

      def version = [@seen.version, *@choices.main_colours.values].join("-")

      def accents = @choices[:accents]

      def number?(number) = @choices[:colours] == number.to_s

      def grounds_out? = @choices[:grounds] == "out"
    end
  end
end
