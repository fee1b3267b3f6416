module Magpie
  class Artwork
    # How a gradient is laid out at a place: from where to where it runs, as shares of a
    # frame, which is the part's own, or one across several parts. What is round runs from
    # its middle outward; what turns begins towards its end.
    #
    # @!attribute from, to [Array<Float>] points, as shares of the frame: [0, 0] is its upper left
    # @!attribute squash [Float] how long the other axis is, of what is round
    # @!attribute focus [Array<Float>, nil] where what is round begins, on its own axes, and
    #   how far from there: 0, 0 is the middle and 1 the end
    # @!attribute across [Array<Float>, nil] left, top, width, height in the units of the
    #   drawing; nil for the part's own frame
    Placing = Struct.new(:from, :to, :squash, :focus, :across, keyword_init: true)

    class Placing
      LARGEST = 1_000_000.0 # of any number: far beyond whatever is drawn
      SQUASHES = 0.001..1000.0
      LEAST = 1e-4 # of the frame: how long the way is at least

      def initialize(squash: 1.0, **given) = super

      # @param data [Hash] as #to_h gives it
      # @return [Placing]
      # @raise [Magpie::Error]
      def self.from_h(data) = new(**data.transform_keys(&:to_sym).slice(*members)).checked

      # How a gradient lies where nothing is said: along its angle from corner to corner,
      # as CSS Images 3 has it, or around the middle.
      # @param compound [Palette::Compound] a gradient
      # @param frame [Frames::Frame]
      def self.usual(compound, frame)
        _, _, width, height = frame.box
        turn = compound.angle * Math::PI / 180
        cos, sin = Math.cos(turn), Math.sin(turn)
        case compound.form
        when "linear"
          half = (width * cos.abs + height * sin.abs) / 2
          new(from: [0.5 - cos * half / width, 0.5 - sin * half / height], to: [0.5 + cos * half / width, 0.5 + sin * half / height])
        when "radial" then new(from: [0.5, 0.5], to: [1.0, 0.5], squash: height / width)
        when "round" then new(from: [0.5, 0.5], to: (height > width) ? [0.5, 1.0] : [1.0, 0.5])
        else
          half = [width, height].min * 0.4
          new(from: [0.5, 0.5], to: [0.5 + cos * half / width, 0.5 + sin * half / height])
        end
      end

      # @return [Placing]
      # @raise [Magpie::Error]
      def checked
        numbers = [from, to, *focus&.each_slice(2)&.map { |pair| [*pair, 0.0].first(2) }, *across&.each_slice(2)].compact
        raise Error, "a gradient lies nowhere: expected two points near the part" unless from && to && numbers.all? { |pair| point?(pair) } && SQUASHES.cover?(squash)
        raise Error, "a gradient runs across nothing: expected a width and a height" if across && !(across.size == 4 && across.last(2).all?(&:positive?))
        raise Error, "a focus that is none: expected two or three numbers" unless focus.nil? || focus.size.between?(2, 3)
        self
      end

      def to_h = super.transform_keys(&:to_s).compact.reject { |name, value| name == "squash" && (value - 1).zero? }

      # Where its unit lies in a part: (0, 0) is where it begins, (1, 0) where it ends.
      # @param frame [Frames::Frame] of the part
      # @return [Affine] nil where it lies on one line only
      def axes(frame)
        left, top, width, height = across || frame.box
        one, two = [from, to].map { |x, y| [left + x * width, top + y * height] }
        two = [one[0] + [width, height].max * LEAST, one[1]] if Math.hypot(two[0] - one[0], two[1] - one[1]) < [width, height].max * LEAST
        made = Affine.axes(one, two, squash)
        across ? (frame.matrix.inverse || Affine::IDENTITY) * made : made
      end

      private

      def point?(pair) = pair.is_a?(Array) && pair.size == 2 && pair.all? { |value| value.is_a?(Numeric) && value.abs <= LARGEST }
    end
  end
end
