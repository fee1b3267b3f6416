# A named colour, gradient or pattern in a group. The places that follow a shared
# swatch are its reach.
class Swatch < Record
  KINDS = {"process" => "process colour", "spot" => "spot colour"}.freeze

  # A column that holds a Magpie::Palette::Compound.
  class PaintType < ActiveRecord::Type::Json
    def deserialize(value) = value && Magpie::Palette::Compound.from_h(JSON.parse(value))

    def cast(value) = value.is_a?(Hash) ? Magpie::Palette::Compound.from_h(value) : value

    def serialize(value) = value && JSON.generate(value.to_h)

    def changed_in_place?(*) = false
  end

  # How a swatch, or a row of one, is drawn.
  module Drawn
    # The CSS custom property that its places follow in a page.
    def variable = Page::Painter.variable(id)

    # What a chip's background is: its variable, or its inks and theirs.
    def css = paint ? Page::Background.of(paint) : "var(#{variable})"
  end
  include Drawn

  belongs_to :group
  belongs_to :find, optional: true
  belongs_to :entry, optional: true # of a library, noted as its match
  has_many :follows # what follows it
  has_many :places, -> { where(follows: {ink: nil}) }, through: :follows
  has_one :tie, -> { where.not(tint: nil) }, class_name: "Follow", foreign_key: :follower_id # of a tint
  has_many :inks, -> { where.not(ink: nil) }, class_name: "Follow", foreign_key: :follower_id

  attribute :colour, Record::ColourType.new
  attribute :paint, PaintType.new

  before_save { self.hex = colour.hex }

  # With what its inks follow.
  def paint = super&.referring(inks.to_h { |tie| [tie.ink, tie.swatch_id] })

  # The swatch that it is a tint of, and by how many per cent.
  def tint_of = tie&.swatch

  def tint = tie&.tint

  # @param addresses [Hash{Integer => Array<Integer>}] where swatches stand in their palette
  def value(addresses)
    compound = paint&.then { |each| each.referring(each.inks.map { |ink| addresses[ink.reference] }) }
    tint = Magpie::Palette::Tint.new(tie.tint, addresses[tie.swatch_id]) if tie && addresses[tie.swatch_id]
    Magpie::Palette::Swatch.new(name:, colour:, shared:, note:, definition:, code:, library: entry&.library&.name, kind: (kind unless kind == "process"), compound:, tint:)
  end
end
