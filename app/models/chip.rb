# A swatch as pages draw it: a row that is only read. A page may show thousands, and
# records of them would cost more than all else on it.
class Chip < Struct.new(:id, :group_id, :name, :hex, :code, :kind, :shared, :locked, :position, :across, :down, :find_id, :tint_of_id, :tint, :inks_json, :colour_json, :paint_json)
  include Swatch::Drawn

  TIE = "(SELECT %s FROM follows WHERE follower_id = swatches.id AND %s)"
  COLUMNS = (members - %i[tint_of_id tint inks_json colour_json paint_json]) + [
    "#{format(TIE, "swatch_id", "tint IS NOT NULL")} AS tint_of_id", "#{format(TIE, "tint", "tint IS NOT NULL")} AS tint",
    "CASE WHEN paint IS NOT NULL THEN #{format(TIE, "jsonb_object_agg(ink, swatch_id)", "ink IS NOT NULL")}::text END AS inks_json",
    "swatches.colour::text AS colour_json", "swatches.paint::text AS paint_json"
  ].map { |column| Arel.sql(column) }
  PAINTS = Swatch::PaintType.new
  COLOURS = Record::ColourType.new

  # @param group_ids [Array<Integer>]
  # @return [Hash{Integer => Array<Chip>}] by group, in its order; none where it is empty
  def self.of_groups(group_ids)
    found = Swatch.where(group_id: group_ids).order(:position, :id).pluck(*COLUMNS).map { |row| new(*row) }.group_by(&:group_id)
    found.default = [].freeze
    found
  end

  # @param ids [Array<Integer>] of swatches
  # @return [Hash{Integer => Chip}] by swatch
  def self.of(ids) = Swatch.where(id: ids).pluck(*COLUMNS).to_h { |row| [row.first, new(*row)] }

  def colour = @colour ||= COLOURS.deserialize(colour_json)

  def paint = paint_json && (@paint ||= PAINTS.deserialize(paint_json).referring(inks))

  # {number of the ink => id of the swatch that it follows}
  def inks = inks_json ? JSON.parse(inks_json).transform_keys(&:to_i) : {}

  # Equal as records are, and told apart as cheaply.
  def ==(other) = other.is_a?(Chip) && id == other.id

  alias_method :eql?, :==

  def hash = id.hash
end
