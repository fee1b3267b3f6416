# A picture that colours are read from.
class Source < Record
  belongs_to :project
  has_many :finds

  # The decoded picture, from a cache on disk that can be deleted at any time.
  def picture = PictureCache.picture(sha256, name)
end
