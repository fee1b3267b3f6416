# A named colour, gradient or pattern in a group. The places that follow a shared
# swatch are its reach.
class Swatch < Record
  KINDS = {"process" => "process colour", "spot" => "spot colour"}.freeze

  # A column that holds a Magpie::Palette::Compound.
  class PaintType < ActiveRecord::Type::Json
    def deserialize(value) = value && Magpie::Palette::Compound.from_h(super)

    def cast(value) = value.is_a?(Hash) ? Magpie::Palette::Compound.from_h(value) : value

    def serialize(value) = value && super(value.to_h)

    def changed_in_place?(*) = false
  end

  # How a swatch, or a row of one, is drawn.
  module Drawn
    # The CSS custom property that its places follow in a page.
    def variable = "--swatch-#{id}"

    # What a chip's background is: its variable, or its inks and theirs.
    def css
      return "var(#{variable})" unless paint
      paint.css { |ink| ink.swatch ? "var(--swatch-#{ink.swatch},#{ink.colour.hex})" : ink.colour.hex }
    end
  end
  include Drawn

  belongs_to :group
  belongs_to :find, optional: true
  belongs_to :tint_of, class_name: "Swatch", optional: true
  has_many :places

  attribute :colour, Record::ColourType.new
  attribute :paint, PaintType.new

  before_save { self.hex = colour.hex }

  # Gradients and patterns that have an ink which follows one of these.
  scope :inked_with, ->(ids) { where("EXISTS (SELECT FROM jsonb_array_elements(swatches.paint->'inks') ink WHERE (ink->>'swatch')::bigint IN (?))", ids) }

  def value = Magpie::Palette::Swatch.new(name:, colour:, shared:, note:, definition:, code:, kind: (kind unless kind == "process"), compound: paint)

  # {swatch id => number of places} for many swatches in one query.
  def self.reach(ids) = Place.standing.where(swatch_id: ids).group(:swatch_id).count

  # The changes that gave it a value, newest first: [[change, colour]]
  def history(most = 50)
    RecordedChange.where("swatch_ids @> ARRAY[?]::bigint[]", id).order(id: :desc).limit(most).filter_map do |change|
      row = change.rows.reverse.find { |each| each["table"] == "swatches" && each["ids"].include?(id) && each["after"]&.key?("colour") }
      [change, Magpie::Color.from_h(row["after"]["colour"])] if row
    end
  end
end
