class Group < Record
  belongs_to :palette
  has_many :swatches, -> { order(:position, :id) }

  def value = Magpie::Palette::Group.new(name:, note:, swatches: swatches.map(&:value))
end
