# The change of a project that undo would take back now, and the one that redo would do
# again.
class Turns
  # @param project [Project]
  # @param columns [Array<String>] that are wanted of the change
  def initialize(project, columns = RecordedChange.column_names)
    @project, @columns = project, columns.join(", ")
  end

  # @return [RecordedChange, nil]
  def to_undo = one("undone_at IS NULL ORDER BY id DESC").then { |change| change unless change&.sealed }

  # The last undone, unless something has been done since.
  # @return [RecordedChange, nil]
  def to_redo
    last = one("undone_at IS NOT NULL AND NOT sealed ORDER BY undone_at DESC, id")
    last unless last.nil? || one("created_at > :time ORDER BY created_at DESC", time: last.undone_at)
  end

  private

  def one(condition, **values)
    RecordedChange.find_by_sql(["SELECT #{@columns} FROM changes WHERE project_id = :id AND #{condition} LIMIT 1", {id: @project.id, **values}]).first
  end
end
