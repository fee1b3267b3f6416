# A source, or an artwork as it is dressed now, as the picture that is seen: kept decoded
# under a key that changes with its pixels, in a cache on disk that can be deleted at any
# time.
class Seen
  THUMBNAIL = [238, 152].freeze # pixels
  MADE = "2" # how pictures are made for lists: what was made otherwise is not shown any more

  # @param artworks [Array<Artwork>]
  # @return [Hash{Artwork => Seen}] whose keys are found in one query
  def self.all(artworks)
    looks = Look.of(artworks)
    artworks.to_h { |artwork| [artwork, new(artwork, key: looks.fetch(artwork.id).key)] }
  end

  # @param readable [Source, Artwork]
  def initialize(readable, key: nil)
    @readable, @key = readable, key
  end

  def key = @key ||= artwork? ? Look.of([@readable]).fetch(@readable.id).key : @readable.sha256

  # For addresses, so that browsers fetch it anew when it has changed.
  def version = key[0, 8]

  # The same of what is made for lists.
  def listed = "#{version}-#{MADE}"

  # @return [Magpie::Picture]
  def picture = @picture ||= PictureCache.picture(key, @readable.name, drawing: artwork? ? @readable.template : key) { bytes }

  # @return [String] path of a JPEG
  def thumbnail
    PictureCache.file("#{key}-#{MADE}-#{THUMBNAIL.join("x")}.jpg") do
      next picture.thumbnail(*THUMBNAIL) unless artwork?
      drawn { Magpie::Walls.thumbnail(bytes, [@readable.width, @readable.height], *THUMBNAIL, name: @readable.name) }
    end
  end

  # An artwork among others. It is drawn as small as it is shown, which takes a tenth of
  # the time that reading colours from it would.
  # @return [String] path of a PNG
  def small
    PictureCache.file("#{key}-small.png") { drawn { Magpie::Walls.small(bytes, name: @readable.name) } }
  end

  # As a press prints it.
  # @param condition [Condition]
  # @param paper [Boolean] on the paper's own white?
  # @return [String] path of a PNG
  def printed(condition, paper: false)
    press = condition.press
    name = "#{key}-printed-#{press.key[0, 16]}#{"-paper" if paper}.png"
    PictureCache.file(name) { drawn { Magpie::Walls.printed(bytes, press, paper:, name: @readable.name) } }
  end

  # What a browser shows: [media type, bytes].
  def on_screen
    return [Blob.where(sha256: key).pick(:media_type), bytes] if !artwork? && @readable.plain?
    ["image/png", File.binread(PictureCache.file("#{key}-screen.png") { picture.on_screen })]
  end

  # How light it is, and how tinted. Sources of earlier versions do not say: theirs is
  # found again when it is asked for.
  # @return [Magpie::Picture::Tone, nil] nil where every pixel is transparent
  def tone
    known = @readable.tone || JSON.parse(File.read(PictureCache.file("#{key}-tone.json") { JSON.generate(Magpie::Walls::Jobs.tone(picture).to_h) }))
    Magpie::Picture::Tone.new(**known.symbolize_keys) if known.any?
  end

  private

  def artwork? = @readable.is_a?(Artwork)

  def drawn(&) = PictureCache.unless_refused(@readable.template, @readable.name, &)

  def bytes = artwork? ? Dressing.new(@readable).flat(small: true) : Blob.bytes(key)
end
