# What every table's class is built on.
class Record < ActiveRecord::Base
  self.abstract_class = true

  # Numbers as the database takes them, thousands as one value: a list of placeholders
  # takes it far longer to read.
  # @param ids [Array<Integer>]
  def self.array(ids) = "'{#{ids.map { |id| Integer(id) }.join(",")}}'::bigint[]"

  scope :among, ->(ids) { where("#{quoted_table_name}.id = ANY(#{Record.array(ids)})") }

  # Writes any number of rows, each with values of its own, by one statement.
  # @param rows [Array<Hash>] the same columns of each, as JSON has them, with its id
  def self.write(rows)
    set = rows.first.keys.map(&:to_s).without("id").map { |column| "#{column} = value.#{column}" }.join(", ")
    values = "jsonb_populate_recordset(NULL::#{table_name}, #{connection.quote(JSON.generate(rows))}::jsonb)"
    connection.exec_update("UPDATE #{table_name} t SET #{set} FROM #{values} value WHERE t.id = value.id")
  end

  # A column that holds a Magpie::Color, exactly, as JSON.
  class ColourType < ActiveRecord::Type::Json
    def deserialize(value) = value && Magpie::Color.from_h(JSON.parse(value))

    def cast(value) = value.is_a?(Hash) ? Magpie::Color.from_h(value) : value

    def serialize(value) = value && JSON.generate(value.to_h)

    def changed_in_place?(*) = false # colours are immutable
  end
end
