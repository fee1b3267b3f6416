# The main colours of a picture, found once and kept beside its decoded pixels.
class MainColours
  # @param seen [Seen]
  # @param options [Hash] as Magpie::Picture::MainColours takes them
  def initialize(seen, options)
    @seen, @options = seen, options
  end

  # Are they found already? If not, finding them takes a moment.
  def found? = PictureCache.kept?(name("json"))

  # @return [Array<Magpie::Picture::MainColours::MainColour>]
  # @raise [Magpie::Error]
  def to_a
    @to_a ||= JSON.parse(File.read(kept("json"))).map do |each|
      Magpie::Picture::MainColours::MainColour.new(colour: Magpie::Color.from_h(each["colour"]), share: each["share"], at: each["at"])
    end
  end

  # A picture that darkens all but one of them.
  # @return [String] PNG bytes
  def highlight(number)
    map = Vips::Image.new_from_file(kept("map.png"))
    dark = (map != number).ifthenelse(184, 0)
    Vips::Image.black(map.width, map.height).bandjoin(dark).cast(:uchar).copy(interpretation: :"b-w").pngsave_buffer(compression: 4)
  end

  private

  def name(ending) = "#{@seen.key}-main-#{@options.values.join("-")}.#{ending}"

  def kept(ending) = PictureCache.file(name(ending)) { (ending == "json") ? json : found.map.pngsave_buffer }

  def found = @found ||= Magpie::Picture::MainColours.new(Magpie::Picture::Cells.new(@seen.picture), **@options)

  def json = JSON.generate(found.to_a.map { |each| {colour: each.colour.to_h, share: each.share, at: each.at} })
end
