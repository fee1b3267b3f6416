class Palette < Record
  has_many :uses
  has_many :groups, -> { order(:position, :id) }
  has_many :swatches, through: :groups

  # As the core's value, which formats read and write.
  def value
    Magpie::Palette.new(name:, note:, groups: groups.includes(:swatches).map(&:value))
  end
end
