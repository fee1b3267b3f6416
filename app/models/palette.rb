# Named groups of swatches. Palettes belong to the house; any project can use them.
class Palette < Record
  # Limits of the health checks: the usual one, and what it may be.
  LIMITS = {
    "twins" => [Magpie::Palette::Twins::LIMIT, 0.1..20.0], "press" => [Magpie::Press::OUTSIDE, 0.5..20.0],
    "confusable" => [Magpie::Palette::Confusable::LIMIT, 0.5..10.0], "contrast" => [Magpie::Palette::Readable::LIMIT, 1.0..21.0],
    "reversal" => [Magpie::Palette::Reversals::STEP * 100, 0.1..20.0]
  }.freeze

  has_many :uses
  has_many :projects, through: :uses
  has_many :groups, -> { order(:position, :id) }
  has_many :swatches, through: :groups
  has_many :outfits, -> { order(:position, :id) }

  scope :standing, -> { where(archived_at: nil) }

  # What comes with each new project, edited in one place.
  def self.starter = where(starter: true).order(:id).first

  # As the core's value, which formats read and write: what follows a swatch of another
  # palette follows nothing in it.
  # @return [Magpie::Palette]
  def value
    found = groups.includes(swatches: [:tie, :inks, {entry: :library}]).to_a
    addresses = found.each_with_index.flat_map { |group, g| group.swatches.each_with_index.map { |swatch, s| [swatch.id, [g, s]] } }.to_h
    Magpie::Palette.new(name:, note:, groups: found.map { |group| group.value(addresses) })
  end

  # @return [Array<[String, Swatch]>] swatches with the names of their groups
  def by_groups = groups.includes(:swatches).flat_map { |group| group.swatches.map { |swatch| [group.name, swatch] } }

  def limit(name) = limits.fetch(name) { LIMITS.fetch(name).first }.to_f

  # @param swatches [Array] all of it, in its order, as records or as chips
  # @return [Hash{Integer => [across, down]}] by swatch, on its grid
  def grid(swatches = groups.flat_map(&:swatches))
    put = swatches.select(&:across).to_h { |swatch| [swatch.id, [swatch.across, swatch.down]] }
    Magpie::Palette::Grid.slots(put, swatches.chunk_while { |one, next_one| one.group_id == next_one.group_id }.map { |run| run.map(&:id) }, columns)
  end
end
