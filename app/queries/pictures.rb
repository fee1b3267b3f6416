# Pictures that drawings show, as they are shown: those of files that browsers show otherwise, or
# not at all, as a PNG.
module Pictures
  SMALL = Magpie::Picture::File::DRAWN # px of the longer side, where a drawing is drawn here
  LARGEST = 7_000_000 # bytes of one in a drawing: whoever reads SVG gives up at 10 MB of text

  module_function

  # @return [Magpie::Picture] its pixels
  def of(sha256) = PictureCache.picture(sha256, "the picture") { Blob.bytes(sha256) }

  KEPT = 8 # small ones that are known without being asked for

  @thinned, @lock = {}, Mutex.new

  # What sketches look at, kept in memory: while a person drags, one is asked for after the other.
  # @return [Magpie::Picture]
  def thinned(sha256)
    @thinned[sha256] || of(sha256).thinned(Magpie::Picture::Fill::SKETCHED).then { |small| Magpie::Picture.new(small.image.copy_memory) }.tap do |small|
      @lock.synchronize { @thinned = {**@thinned, sha256 => small}.to_a.last(KEPT).to_h }
    end
  end

  # @return [[String, String]] media type and bytes
  # @raise [ActiveRecord::RecordNotFound] where no drawing shows it
  def shown(sha256)
    plain = DrawnPicture.where(sha256:).pick(:plain)
    raise ActiveRecord::RecordNotFound if plain.nil?
    return [Blob.where(sha256:).pick(:media_type), Blob.bytes(sha256)] if plain
    ["image/png", File.binread(PictureCache.file("#{sha256}-screen.png") { of(sha256).on_screen })]
  end

  # For a drawing that holds its pictures.
  # @return [String]
  def embedded(sha256) = shown(sha256).then { |type, bytes| "data:#{type};base64,#{[bytes].pack("m0")}" }

  # The same for a drawing that is drawn here: no larger than it is drawn.
  def small(sha256)
    type, bytes = shown(sha256)
    return embedded(sha256) if bytes.bytesize <= LARGEST && of(sha256).then { |picture| [picture.width, picture.height].max <= SMALL }
    bytes = File.binread(PictureCache.file("#{sha256}-#{SMALL}") { reduced(of(sha256).within(SMALL)) })
    "data:#{Magpie::Picture::File.format(bytes)&.media_type || type};base64,#{[bytes].pack("m0")}"
  end

  # As it is, unless that is too large.
  def reduced(image)
    exact = image.pngsave_buffer(compression: 6, strip: true)
    return exact if exact.bytesize <= LARGEST || image.has_alpha?
    image.jpegsave_buffer(Q: 95, strip: true)
  end

  # As pages ask for it.
  def address(sha256) = "/pictures/#{sha256}"
end
