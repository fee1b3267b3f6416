class Group < Record
  belongs_to :palette
  has_many :swatches, -> { order(:position, :id) }

  # @param addresses [Hash{Integer => Array<Integer>}] where swatches stand in their palette
  def value(addresses) = Magpie::Palette::Group.new(name:, note:, swatches: swatches.map { |swatch| swatch.value(addresses) })
end
