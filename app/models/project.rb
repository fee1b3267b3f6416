# One job for one client.
class Project < Record
  SURROUNDS = {"white" => "White", "light" => "Light grey", "mid" => "Mid grey", "dark" => "Near black"}.freeze

  belongs_to :condition, optional: true

  has_many :uses, -> { order(:position) }
  has_many :palettes, through: :uses
  has_many :sources, -> { where(removed_at: nil).order(:position, :id) }
  has_many :finds, -> { kept.order(id: :desc) }
  has_many :imports
  has_many :artworks, -> { where(removed_at: nil).order(:position, :id) }

  has_many :boards, -> { standing }

  has_many :own_tiles, -> { where(removed_at: nil).order(:position, :id) }

  validates :name, presence: {message: "A project needs a name"}
  validates :surround, inclusion: {in: SURROUNDS.keys}

  # Something was done in it.
  # @param window [String, nil] where, see Actor#window
  def self.turn(id, window)
    where(id:).update_all(["turned_from = CASE WHEN turned_by = :window THEN turned_from ELSE version END, turned_by = :window, version = version + 1", {window:}])
  end

  # What it is printed on: its own choice, or the house's.
  # @return [Condition]
  def press = (condition unless condition&.removed_at) || Condition.usual

  # Has nobody but this window done anything since a version that it saw?
  # @param seen [Integer]
  def turned_only_by?(window, seen) = version == seen || (!window.nil? && turned_by == window && turned_from <= seen)

  def groups = palettes.includes(groups: :swatches).flat_map(&:groups)

  def swatches = Swatch.where(group_id: Group.where(palette_id: uses.select(:palette_id)).select(:id))
end
