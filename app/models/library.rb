# A colour library of the house: what somebody sells or names, to match against.
class Library < Record
  # Texts of it that can be changed, and how long they may be.
  FIELDS = {name: 120, note: 500, condition: 120, licence: 500}.freeze

  has_many :all_entries, class_name: "Entry" # of all editions
  has_many :imports

  scope :standing, -> { where(removed_at: nil).order(:id) }

  # Of the edition that stands, in the order of the chart.
  # @return [ActiveRecord::Relation]
  def entries = Entry.where(library_id: id, edition:).order(:position, :id)

  # What stands before and after an entry of it in that order. Two have one position where the last
  # was removed, another added, and the first brought back.
  # @return [ActiveRecord::Relation]
  def before(entry) = entries.where("(entries.position, entries.id) < (?, ?)", entry.position, entry.id)

  def after(entry) = entries.where("(entries.position, entries.id) > (?, ?)", entry.position, entry.id)

  # As the core's value, which formats write.
  # @return [Magpie::Palette]
  def value
    sections = entries.to_a.chunk_while { |one, next_one| one.section == next_one.section }
    groups = sections.map { |run| Magpie::Palette::Group.new(name: run[0].section || name, swatches: run.map(&:value)) }
    Magpie::Palette.new(name:, note:, condition:, licence:, groups:)
  end

  # @return [Array<[String, Entry]>] entries with the names of their groups
  def by_groups = entries.map { |entry| [entry.section.to_s, entry] }

  # What came in last of it, which a newer version is compared with.
  # @return [Import, nil]
  def import = imports.brought.first
end
