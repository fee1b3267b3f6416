# The values that a swatch was given, newest first.
class PastValues
  MOST = 50

  # @!attribute change [RecordedChange]
  # @!attribute colour [Magpie::Color] the swatch's after it
  Value = Struct.new(:change, :colour)

  # @return [Array<Value>]
  def self.of(...) = new(...).to_a

  def initialize(swatch, most: MOST)
    @swatch, @most = swatch, most
  end

  # @return [Array<Value>]
  def to_a = @to_a ||= changes.filter_map { |change| given(change)&.then { |colour| Value.new(change, colour) } }

  # @param id [Integer] of a change
  # @return [Value, nil]
  def by(id) = to_a.find { |value| value.change.id == id }

  private

  def changes = RecordedChange.where("swatch_ids @> ARRAY[?]::bigint[]", @swatch.id).order(id: :desc).limit(@most)

  # The last that a change wrote.
  def given(change)
    entry = change.rows.reverse.find { |each| each["table"] == "swatches" && each["ids"].include?(@swatch.id) && [each["after"]].flatten.first&.key?("colour") } or return
    row = [entry["after"]].flatten.then { |rows| rows.find { |each| each["id"] == @swatch.id } || rows.first }
    Magpie::Color.from_h(row["colour"])
  end
end
