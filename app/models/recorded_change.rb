# A change that was made, in words, with what it takes to undo and redo it.
class RecordedChange < Record
  self.table_name = "changes"
  belongs_to :project

  # Plain JSON, of which there may be much.
  class RowsType < ActiveRecord::Type::Json
    def deserialize(value) = value && JSON.parse(value)

    def serialize(value) = value && JSON.generate(value)
  end
  attribute :rows, RowsType.new

  # Thousands of numbers, which Active Record would look at one by one.
  class NumbersType < ActiveRecord::Type::Value
    def deserialize(value) = value && value.delete("{}").split(",").map(&:to_i)

    def serialize(value) = value && "{#{value.join(",")}}"
  end
  attribute :swatch_ids, NumbersType.new, default: []
  attribute :touched, NumbersType.new, default: []

  # Hexes and the like, and nothing where there is none.
  class HexesType < ActiveRecord::Type::Value
    def deserialize(value) = value&.delete('{}"')&.split(",", -1)

    def serialize(value) = value && "{#{value.map { |hex| %("#{hex}") }.join(",")}}"
  end
  attribute :hexes, HexesType.new, default: []
  attribute :files, HexesType.new, default: []

  # The number of what takes effect now.
  def self.next_turn = connection.select_value("SELECT nextval('changes_id_seq')")

  scope :done, -> { where(undone_at: nil) }

  # Those that can be taken back. What an earlier version of the tables recorded is only told.
  scope :undoable, -> { done.where(sealed: false) }

  # Without what it takes to undo them, which may be much: for lists.
  TOLD = %w[id project_id words who why created_at undone_at sealed].freeze
end
