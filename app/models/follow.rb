# That something follows a swatch: a place as it is, one ink of a place's own gradient
# or pattern, a tint by per cent, or one ink of another swatch's gradient or pattern.
class Follow < Record
  belongs_to :swatch
  belongs_to :place, optional: true
  belongs_to :follower, class_name: "Swatch", optional: true

  # Places that are painted with the swatch itself.
  scope :of_places, -> { where.not(place_id: nil).where(ink: nil) }

  # What keeps a value that is made from the swatch's: tints and inks.
  scope :of_values, -> { where("follows.follower_id IS NOT NULL OR follows.ink IS NOT NULL") }
end
