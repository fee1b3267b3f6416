require "support/hostile"
require "support/palettes"

# Files of every kind that is read, damaged in every way.
class Mutations
  WORDS = ["0", "-1", "1e400", "1e30", "99999999999999999999", "NaN", "url(#a)", "url(http://quillmere.example)", "\\", "\"", "'", ";", "{", "}", "(", ")", "<", ">", "&#xE001;", "&amp;", "<!--", "-->", "<![CDATA[", "]]>", "var(--a)", "--a:", "{a.b}", "$extends", "$value", "null", "[", "]", "\0", "\xFF\xFE", "\xEF\xBB\xBF", "<use href=\"#a\"/>", "<style>", "</style>", "style=\"fill:red\"", "<g>", "</g>", "@media screen{", "\t", " ", "(", "[", "12 ", "0,1;", "a:b;", "#fff ", "<!---->", "<a ", "&", "calc(", "BEGIN_DATA\n"].map(&:b).freeze
  TOKENS = ['{"dusk":{"$type":"color","ember":{"$value":"#E46F58"},"moor":{"$value":"{dusk.ember}"},"low":{"$extends":"{sky}","x":{"$ref":"#/dusk/ember"}}},"sky":{"peat":{"$type":"color","$value":{"colorSpace":"oklch","components":[0.5,0.1,"none"],"alpha":0.5}}}}'].freeze
  # Palettes most of all: there are ten formats of them.
  KINDS = ENV.fetch("KINDS", "artwork palette palette palette drawn picture").split.map(&:to_sym).freeze
  FOLDER = File.expand_path("../..", __dir__)

  # @return [Hash{Symbol => Array<String>}] whole files, by what reads them
  def self.whole
    @whole ||= {artwork: [*Dir["#{FOLDER}/{db/demo,spec/files}/*.svg"].map { |path| File.binread(path) }.select { |svg| svg.bytesize < 30_000 }, *Hostile.asking(Hostile::ADDRESS).map(&:last), *Hostile::CHEAP.values.map { |body, _| Hostile.svg(body) }.select { |svg| svg.bytesize < 30_000 }], palette: TOKENS + palettes, drawn: drawn, picture: pictures}
  end

  # A file of each format as we write it, and those of other origin; of those that are
  # pictures apart, since libvips decodes them.
  def self.palettes = written(%w[png picture]) + %w[*.icc *.txt *.sp *.ti1 *.css].flat_map { |form| Dir["#{FOLDER}/spec/samples/#{form}"] }.map { |path| File.binread(path).byteslice(0, 20_000) } + TEXTS

  def self.drawn = Magpie::Formats.written.select { |format| %w[png picture].include?(format.key) }.map { |format| sent(format, 3) } + Dir["#{FOLDER}/spec/samples/*.png"].map { |path| File.binread(path) }

  def self.written(except) = Magpie::Formats.written.reject { |format| except.include?(format.key) }.flat_map { |format| [sent(format, 1), sent(format, 2)] }

  def self.sent(format, seed) = Magpie::Formats::Sending.new(RandomPalettes.new(Random.new(seed)).palette(swatches: 9), format).bytes

  TEXTS = ["Ember #E46F58, Moor 18 23 32; lab 60 42 33\n", "Name;R;G;B;L;a;b\n\"Ember, \"\"late\"\"\";0,9;0,4;0,3;61;45;35\n", ":root{--a:color-mix(in oklch,red,blue 30%);--b:oklch(from var(--a) calc(l*.5) c h/.5);--c:linear-gradient(to left,var(--a),#fff 30%)}.m{&:hover{color:light-dark(red,blue)}}"].map(&:b).freeze

  def self.pictures
    image = (Vips::Image.xyz(24, 16).bandjoin(Vips::Image.black(24, 16)) * 9).cast(:uchar).copy(interpretation: :srgb)
    deep = image.cast(:ushort).copy(interpretation: :rgb16) * 200
    profiled = begin
      image.icc_export(output_profile: "p3", depth: 8)
    rescue
      image
    end
    [image.pngsave_buffer, deep.cast(:ushort).pngsave_buffer, image.pngsave_buffer(palette: true), profiled.pngsave_buffer, profiled.jpegsave_buffer, image.webpsave_buffer, image.webpsave_buffer(lossless: true), image.tiffsave_buffer, deep.cast(:ushort).tiffsave_buffer(compression: :lzw), image.tiffsave_buffer(compression: :jpeg),
      begin
        image.gifsave_buffer
      rescue
        nil
      end, begin
        image.heifsave_buffer(compression: :av1)
      rescue
        nil
      end, Hostile.svg('<rect width="9" height="9" fill="#E46F58"/>')].compact
  end

  def initialize(random) = @random = random

  # @return [[Symbol, String]] what reads it, and a damaged file
  def one
    kind = KINDS.sample(random: @random)
    bytes = Mutations.whole.fetch(kind).sample(random: @random).b.dup
    @random.rand(1..3).times { bytes = damaged(bytes) }
    [kind, bytes]
  end

  private

  # Half of the time only what stands between quotes, so that it still is a file of its kind.
  def damaged(bytes)
    return changed(bytes) if @random.rand < 0.5 && bytes.include?('"'.b)
    at, length = place(bytes), @random.rand(1..[bytes.bytesize / 4, 1].max)
    case @random.rand(8)
    when 0 then bytes.byteslice(0, at)
    when 1 then cut(bytes, at, length)
    when 2 then bytes.byteslice(0, at) + (bytes.byteslice(at, length) * 2) + bytes.byteslice(at..)
    when 3 then bytes.byteslice(0, at) + WORDS.sample(random: @random) * [1, 1, 1, 300, 4_000].sample(random: @random) + bytes.byteslice(at..)
    when 4 then bytes.gsub(/\d+/n) { |number| (@random.rand < 0.1) ? WORDS.first(6).sample(random: @random) : number }
    when 5 then cut(bytes, at, length) + bytes.byteslice(at, length).to_s
    else bytes.tap { @random.rand(1..8).times { bytes.setbyte(place(bytes), @random.rand(256)) if bytes.bytesize > 0 } }
    end
  end

  def changed(bytes)
    values = bytes.to_enum(:scan, /"[^"]*"/n).map { $~.offset(0) }
    from, to = values.sample(random: @random) || [0, 0]
    value = bytes.byteslice(from...to).to_s
    inside = value.delete('"'.b)
    other = [inside + WORDS.sample(random: @random), inside.reverse, WORDS.sample(random: @random), inside * 40, inside.gsub(/\d/n) { @random.rand(10).to_s }].sample(random: @random).delete('"<>&'.b)
    bytes.byteslice(0, from) + "\"#{other}\"".b + bytes.byteslice(to..)
  end

  def cut(bytes, at, length) = bytes.byteslice(0, at) + bytes.byteslice((at + length)..).to_s

  def place(bytes) = @random.rand([bytes.bytesize, 1].max)
end
