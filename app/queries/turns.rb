# The change of a project that undo would take back now, and the one that redo would do
# again.
class Turns
  # @param project [Project]
  # @param changes [ActiveRecord::Relation] of RecordedChange
  def initialize(project, changes = RecordedChange.all)
    @project = project
    @changes = changes.where(project:)
  end

  # @return [RecordedChange, nil]
  def to_undo = @changes.done.order(id: :desc).first.then { |change| change unless change&.sealed }

  # The last undone, unless something has been done since.
  # @return [RecordedChange, nil]
  def to_redo
    last = @changes.where(sealed: false).where.not(undone_at: nil).order(undone_at: :desc, id: :asc).first
    last unless last.nil? || RecordedChange.where(project: @project).exists?(["created_at > ?", last.undone_at])
  end
end
