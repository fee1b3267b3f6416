# The values that a swatch was given, newest first.
class PastValues
  MOST = 50

  # @!attribute change [RecordedChange] without its rows
  # @!attribute hex [String] the swatch's after it
  Value = Struct.new(:change, :hex)

  # @return [Array<Value>]
  def self.of(swatch, most: MOST)
    hex = "hexes[array_position(swatch_ids, #{Integer(swatch.id)}::bigint)]"
    among(swatch).where("#{hex} <> ''").order(id: :desc).limit(most).select(*RecordedChange::TOLD, "#{hex} AS hex").map { |change| Value.new(change, change[:hex]) }
  end

  # @param id [Integer] of a change
  # @return [Magpie::Color, nil] exactly, but of a sealed change its hex; nil where it gave the swatch none
  def self.colour(swatch, id)
    change = among(swatch).find_by(id:) or return
    return change.hexes[change.swatch_ids.index(swatch.id)].then { |hex| Magpie::Notation.try(hex) } if change.sealed
    # The last that it wrote.
    entry = change.rows.reverse.find { |each| each["table"] == "swatches" && each["ids"].include?(swatch.id) && [each["after"]].flatten.first&.key?("colour") } or return
    row = [entry["after"]].flatten.then { |rows| rows.find { |each| each["id"] == swatch.id } || rows.first }
    Magpie::Color.from_h(row["colour"])
  end

  def self.among(swatch) = RecordedChange.where("swatch_ids @> ARRAY[?]::bigint[]", swatch.id)
  private_class_method :among
end
