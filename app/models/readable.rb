# What colours can be read from: a source, or an artwork as it is seen. Both have a
# picture, which is kept decoded under a key that changes with its pixels.
module Readable
  THUMBNAIL = [238, 152].freeze

  # The decoded picture, from a cache on disk that can be deleted at any time.
  # @return [Magpie::Picture]
  def picture = PictureCache.picture(key, name) { bytes }

  def thumbnail = PictureCache.file("#{key}-#{THUMBNAIL.join("x")}.jpg") { picture.thumbnail(*THUMBNAIL) }

  # What a browser shows: [media type, bytes].
  def on_screen
    return [Blob.where(sha256: key).pick(:media_type), bytes] if plain?
    ["image/png", File.binread(PictureCache.file("#{key}-screen.png") { picture.on_screen })]
  end

  # Its address within a project.
  def path = "#{self.class.table_name}/#{id}"

  # {source: 3}, as pages are asked for.
  def parameter = {self.class.name.downcase.to_sym => id}
end
