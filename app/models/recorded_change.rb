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

  scope :done, -> { where(undone_at: nil) }

  # Those that can be taken back. What an earlier version of the tables recorded is only told.
  scope :undoable, -> { done.where(sealed: false) }

  # Without what it takes to undo them, which may be much: for lists.
  scope :told, -> { select(column_names - %w[rows touched]) }

  # The change that undo would take back.
  def self.next_to_undo(project) = done.where(project:).order(id: :desc).first.then { |change| change unless change&.sealed }

  # The change that redo would do again: the last undone, unless something has been
  # done since.
  def self.next_to_redo(project)
    last = where(project:).where(sealed: false).where.not(undone_at: nil).order(undone_at: :desc, id: :asc).first
    last unless last.nil? || where(project:).exists?(["created_at > ?", last.undone_at])
  end
end
