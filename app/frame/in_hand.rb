module Frame
  # What the hand shows of what is in it, and of what was in it before.
  class InHand
    EMPTY = "#3A3A3A"

    # @!attribute now, before [Hand::Content, nil]
    attr_reader :now, :before

    # @param hand [Hand]
    def initialize(hand)
      @now, @before = hand.content, hand.content(:before)
    end

    def any? = !now.nil?

    def swatch_id = now&.swatch_id

    def find_id = now&.find_id

    # A swatch follows its custom property, which moves while it is tried in Mix.
    def background
      return "transparent" unless now
      now.css || (swatch_id ? "var(--swatch-#{swatch_id},#{now.hex})" : now.hex)
    end

    def background_before = before ? (before.css || before.hex) : EMPTY

    def words = now ? "In hand #{now.name} #{now.hex}#{", before it #{before.hex}" if before}" : "Nothing in hand"
  end
end
