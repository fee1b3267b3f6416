# A palette file that is being looked at before it is brought in, or was brought in.
class Import < Record
  belongs_to :project
  belongs_to :palette, optional: true
  belongs_to :library, optional: true
  belongs_to :before, class_name: "Import", optional: true # the version that it is compared with

  scope :brought, -> { where.not(brought_at: nil).order(brought_at: :desc, id: :desc) }

  # The version of the same file that came in last, and where to; if that is still there.
  # @return [Import, nil]
  def older = @older ||= [before, *project.imports.brought.where(name:).where.not(id:)].compact.find(&:home)

  # What it was brought into, where that stands.
  # @return [Palette, Library, nil]
  def home = palette || (library unless library.nil? || library.removed_at)

  # Files that came together with it, in their order.
  def together = batch ? project.imports.where(batch:).order(:id) : Import.where(id:)
end
