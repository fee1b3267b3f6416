# A named set of what a part can wear: fill, line, how the line is drawn and how opaque the
# part is. It is shared as a swatch is: what it holds, all hold that wear it.
class Outfit < Record
  # What of a part's settings belongs to it, by the role that keeps it. What a part is
  # hidden by, and a filter of its file, are the part's own.
  SETTINGS = {"line" => Magpie::Artwork::Settings::OF.fetch("line"), "fill" => %i[grain grain_size opacity blend]}.freeze
  ROLES = SETTINGS.keys.freeze

  belongs_to :palette
  has_many :places, -> { where(artwork_id: nil).order(:role) } # what it holds
  has_many :worn, -> { where.not(artwork_id: nil) }, class_name: "Place"

  # How many parts of artworks that stand wear each.
  # @param actor [Actor]
  # @return [Hash{Integer => Integer}] by outfit
  def self.reach(actor, ids) = actor.places.where(outfit_id: ids).group(:outfit_id).distinct.count(:part_id)
end
