# A colour of a library. What is sought in it, its name and its code with and without what is
# between the letters and numbers, is a column that the database makes.
class Entry < Record
  # Texts of it that can be changed, and how long they may be.
  FIELDS = {name: 200, code: 80, section: 200, note: 500, page: 40, cell: 40}.freeze

  # A column that holds a Magpie::Spectrum.
  class SpectrumType < ActiveRecord::Type::Json
    def deserialize(value) = value && JSON.parse(value).then { |read| Magpie::Spectrum.new(*read.values_at("start", "step", "values")) }

    def cast(value) = value

    def serialize(value) = value && JSON.generate(value.to_h)

    def changed_in_place?(*) = false
  end

  belongs_to :library
  has_many :swatches # of which it is the match

  attribute :colour, Record::ColourType.new
  attribute :spectrum, SpectrumType.new

  # What stands beside a colour: as screens show it, and its Lab, by which it is looked up.
  # @return [Hash] columns
  def self.measured(colour) = {colour:, hex: colour.hex, **%i[l a b].zip(colour.in(:lab)).to_h}

  before_save { assign_attributes(Entry.measured(colour)) if colour_changed? || l.nil? }

  # Entries are plain colours.
  def paint = nil

  # What a swatch has that is kept from it: a spot ink, where it has a code.
  # @return [Hash] columns
  def kept = {entry_id: id, code:, kind: code ? "spot" : "process"}

  # "TF 088 Hearth clay"
  def in_words = [code, name].compact.join(" ")

  # @return [Magpie::Palette::Swatch]
  def value = Magpie::Palette::Swatch.new(name:, colour:, code:, note:, kind:, spectrum:, inks:, page:, position: cell)
end
