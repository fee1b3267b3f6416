# A swatch as pages draw it: a row that is only read. A page may show thousands, and
# records of them would cost more than all else on it.
class Chip < Struct.new(:id, :group_id, :name, :hex, :code, :kind, :shared, :locked, :position, :across, :down, :find_id, :tint_of_id, :tint, :colour_json, :paint_json)
  include Swatch::Drawn

  COLUMNS = (members - %i[colour_json paint_json]) + [*%w[colour paint].map { |column| Arel.sql("swatches.#{column}::text AS #{column}_json") }]
  PAINTS = Swatch::PaintType.new
  COLOURS = Record::ColourType.new

  # @param group_ids [Array<Integer>]
  # @return [Hash{Integer => Array<Chip>}] by group, in its order; none where it is empty
  def self.of_groups(group_ids)
    found = Swatch.where(group_id: group_ids).order(:position, :id).pluck(*COLUMNS).map { |row| new(*row) }.group_by(&:group_id)
    found.default = [].freeze
    found
  end

  def colour = @colour ||= COLOURS.deserialize(colour_json)

  def paint = paint_json && (@paint ||= PAINTS.deserialize(paint_json))

  # Equal as records are, and told apart as cheaply.
  def ==(other) = other.is_a?(Chip) && id == other.id

  alias_method :eql?, :==

  def hash = id.hash
end
