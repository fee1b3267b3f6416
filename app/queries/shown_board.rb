# A board as it is seen: its variants with the colours that their places hold now.
class ShownBoard
  # A variant with its colours.
  # @!attribute variant [Variant]
  # @!attribute base [Magpie::Color] of the ground, before steps
  # @!attribute ground [Magpie::Color] as it is seen
  # @!attribute swatch [Swatch, nil] that the ground follows
  # @!attribute trims [Array<Magpie::Painters::Board::Trim>]
  Shown = Struct.new(:variant, :base, :ground, :swatch, :trims, keyword_init: true) do
    def id = variant.id

    def name = variant.name

    # ΔE00 to what is noted.
    def difference = variant.entry && Magpie::Difference.de2000(ground, variant.entry.colour)

    # "ΔE 0.9 Tarn water", "lighter by 2"
    def in_words
      return "ΔE #{format("%.1f", difference)} #{variant.entry.name}" if variant.entry
      return ground.hex if variant.steps.zero?
      "#{variant.steps.positive? ? "lighter" : "darker"} by #{variant.steps.abs}"
    end
  end

  EMPTY = Magpie::Notation.parse("#DCDCDC")

  # @return [Board]
  attr_reader :board

  # @param board [Board]
  def initialize(board) = @board = board

  # @return [Array<Shown>]
  def variants
    @variants ||= begin
      all = board.variants.includes(entry: :library).to_a
      places = Place.where(variant_id: all.map(&:id)).includes(follow: :swatch).group_by(&:variant_id)
      all.map { |variant| shown(variant, places.fetch(variant.id, []).index_by(&:role)) }
    end
  end

  # @param shown [Shown]
  # @param piece [String] address of the picture of the piece
  # @return [Magpie::Painters::Board]
  def painter(shown, piece:)
    entry = shown.variant.entry
    lines = [entry.name, [entry.code, entry.library.name].compact.join(" "), "ΔE #{format("%.1f", shown.difference)} to the ground"] if entry
    Magpie::Painters::Board.new(ground: shown.ground, piece:, size: [board.width, board.height], trims: shown.trims, match: entry && [entry.colour, lines], title: "#{board.name}, #{shown.name}")
  end

  # Its piece in the drawing itself.
  def whole(shown) = painter(shown, piece: "data:image/png;base64,#{[board.piece].pack("m0")}")

  private

  def shown(variant, places)
    ground = places[Variant::GROUND]
    base = colour(ground)
    Shown.new(variant:, base:, ground: Variant.lightened(base, variant.steps), swatch: followed(ground), trims: variant.trims.map { |trim| trim(trim, places[trim["role"]]) })
  end

  def trim(said, place) = Magpie::Painters::Board::Trim.new(colour(place), followed(place)&.name || said["name"], said["use"])

  def followed(place) = place&.follow&.swatch

  # A gradient's middle stands for it.
  def colour(place) = followed(place)&.colour || place&.paint&.colour || place&.colour || EMPTY
end
