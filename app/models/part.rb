# A paintable element of an artwork, at whatever depth.
class Part < Record
  belongs_to :artwork
  has_many :places
end
