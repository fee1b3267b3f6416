require "json"

module Magpie
  # The core from a shell: prints JSON on standard output; on bad input prints one
  # line on standard error and returns 2.
  class CommandLine
    USAGE = <<~TEXT
      magpie colour NOTATION
      magpie difference A B
      magpie difference --batch            two notations a line, tab-separated, on standard input
      magpie nearest NOTATION FILE… [--top 5]     of palettes and libraries
      magpie nearest --batch FILE… [--top 5]      a notation a line, on standard input
      magpie match PALETTE LIBRARY… [--within 2.5]
      magpie proof NOTATION [--profile FILE.icc]  as the press prints it
      magpie picture FILE --at X,Y [--probe N | --patch TOLERANCE]
      magpie picture FILE --colours N      or "auto"; [--accents 0..1] [--leave-out-grounds yes]
      magpie artwork FILE.svg [--flat OUT.svg]
      magpie dress FILE.svg PALETTE [--within 2] [--by nearest|order|name] [--flat OUT.svg] [--linked OUT.svg]
      magpie palette FILE
      magpie convert IN OUT [--as FORMAT] [--model MODEL] and what else the format has to choose
      magpie check FILE                    what could not be read of it; 1 where there is anything
      magpie formats                       what is read and written, and what there is to choose
      magpie ramp NOTATION [--darker N] [--lighter N] [--darkest L] [--lightest L]
                           [--turn-dark DEG] [--turn-light DEG] [--course lightness|potential|even]
      magpie mix A B SHARE [--way eye|light|opacity|paint]
      magpie between STEPS A B [C …]
      magpie harmony NOTATION RULE [--spread DEG] [--wheel light|painter]
    TEXT

    COMMANDS = %w[colour difference nearest match proof picture artwork dress palette convert check formats ramp mix between harmony].freeze

    autoload :Arguments, "magpie/shell/arguments"
    autoload :Dress, "magpie/shell/dress"
    autoload :Files, "magpie/shell/files"
    autoload :Matches, "magpie/shell/matches"

    include Arguments

    def initialize(arguments, input: $stdin, output: $stdout, errors: $stderr)
      @arguments, @input, @output, @errors = arguments.dup, input, output, errors
    end

    # @return [Integer] exit status
    def run
      command = @arguments.shift
      return tell(USAGE) if [nil, "help", "--help", "-h"].include?(command)
      raise Error, "no such command: expected #{Text.list(COMMANDS).sub(" and ", " or ")}" unless COMMANDS.include?(command)
      return check if command == "check"
      send(command)
      0
    rescue Error => error
      @errors.puts error.message.lines.map(&:strip).join(" ")
      2
    end

    private

    def tell(text)
      @output.puts text
      0
    end

    def print(data = nil, **fields) = @output.puts(JSON.generate(data || fields))

    def colour
      colour = Notation.parse(one("a colour notation"))
      press = Press.usual.proof(colour)
      print(**describe(colour), cmyk: press.inks, press: press.to_h.slice(:inside, :de2000, :total_ink))
    end

    # srgb, hsl and hsb are the colour that a screen shows, brought into its gamut
    # where in_srgb is false; the other models are the colour itself.
    def describe(colour)
      return unless colour
      screen = Gamut.to_srgb(colour)
      {
        hex: colour.hex, srgb: screen.rgb255, hsl: screen.in(:hsl), hsb: screen.in(:hsb), lab: colour.in(:lab),
        lch: colour.in(:lch), oklab: colour.in(:oklab), oklch: colour.in(:oklch), alpha: colour.alpha,
        in_srgb: colour.in_srgb?, name: ColorName.suggest(colour)
      }
    end

    def difference
      return batch if @arguments == ["--batch"]
      print(measure(*exactly(2, "two colour notations")))
    end

    def measure(a, b)
      a, b = Notation.parse(a), Notation.parse(b)
      {de2000: Difference.de2000(a, b), ok: Difference.ok(a, b)}
    end

    def batch
      each_line do |line, number|
        pair = line.split("\t")
        raise Error.new("line #{number} has #{Text.count(pair.size, "notation")}: expected two, with a tab between", place: "line #{number}") unless pair.size == 2
        print(measure(*pair))
      end
    end

    def nearest
      options, batch = options("--top"), !@arguments.delete("--batch").nil?
      top = whole("--top", options.fetch("--top", "5"))
      raise Error, "--top is #{top}: expected 1 to #{Matches::MOST}" unless top.between?(1, Matches::MOST)
      notation = @arguments.shift.to_s.scrub unless batch
      matches = Matches.new(palettes(@arguments, "a notation and the files of palettes or libraries"))
      return print(matches.nearest(Notation.parse(notation), top)) unless batch
      each_line { |line| print(matches.nearest(Notation.parse(line), top)) }
    end

    def match
      within = number("--within", options("--within").fetch("--within", Matches::WITHIN.to_s))
      palette, *libraries = palettes(@arguments, "the file of a palette and of one library or more", least: 2)
      print(Matches.new(libraries).of(palette, within))
    end

    def proof
      path = options("--profile")["--profile"]
      colour = Notation.parse(one("a colour notation"))
      print((path ? Walls.proofs(Walls.condition(file(path), name: name(path)), [colour]).first : Press.usual.proof(colour)).to_h)
    end

    # @return [Array<Palette>]
    def palettes(paths, what, least: 1)
      raise Error, "expected #{what}, found #{Text.count(paths.size, "file")}" if paths.size < least
      paths.map { |path| Walls.palette(file(path), name: name(path)).palette }
    end

    def picture
      options = options("--at", "--probe", "--patch", "--colours", "--accents", "--leave-out-grounds")
      path = path("a picture")
      print(options.key?("--colours") ? main_colours(path, options) : reading(path, options))
    end

    def reading(path, options)
      x, y = options.fetch("--at") { raise Error, "--at X,Y or --colours N is missing" }.match(/\A(-?\d+),(-?\d+)\z/)&.captures&.map(&:to_i)
      raise Error, "--at is #{options["--at"]}: expected two whole numbers such as 120,80" unless y
      probe = whole("--probe", options.fetch("--probe", "5"))
      tolerance = number("--patch", options["--patch"]) if options["--patch"]
      reading = Walls.reading(file(path), x, y, probe:, tolerance:, name: name(path))
      {average: describe(reading.average), most_common: describe(reading.most_common), spread: reading.spread,
       verdict: reading.verdict, at: reading.at, probe: tolerance ? "patch" : probe, pixels: reading.pixels, transparent: reading.transparent}
    end

    def main_colours(path, options)
      count = whole("--colours", options["--colours"]) unless options["--colours"] == "auto"
      how = {count:, accents: number("--accents", options.fetch("--accents", "1")), leave_out: options["--leave-out-grounds"] == "yes"}
      Walls.main_colours(file(path), how, name: name(path)).map do |each|
        {hex: each.colour.hex, name: ColorName.suggest(each.colour), share: each.share.round(6), at: each.at, colour: each.colour.to_h}
      end
    end

    def whole(name, text) = Integer(text, exception: false) || raise(Error, "#{name} is #{text}: expected a whole number")

    def number(name, text) = Float(text, exception: false) || raise(Error, "#{name} is #{text}: expected a number")

    def artwork
      options = options("--flat")
      path = path("an SVG file")
      artwork = Walls.artwork(file(path), name: name(path))
      write(options["--flat"], Painters::Flat.of(artwork)) if options["--flat"]
      print(parts: artwork.parts.count { |part| part.kind == :part },
        colours: artwork.colours.map { |hex, places| {hex:, places:} }, dropped: artwork.dropped)
    end

    def dress
      options = options("--within", "--by", "--flat", "--linked")
      drawing, palette = given(2, "an SVG file and a palette file")
      within = number("--within", options.fetch("--within", Artwork::Linking::WITHIN.to_s))
      dress = Dress.new(Walls.artwork(file(drawing), name: name(drawing)), Walls.palette(file(palette), name: name(palette)).palette, by: options.fetch("--by", "nearest"), within:)
      {"--flat" => :flat, "--linked" => :linked}.each { |option, form| write(options[option], dress.public_send(form)) if options[option] }
      print(dress.to_h)
    end

    def palette
      path = path("a palette file")
      print(Files.described(Walls.palette(file(path), name: name(path))))
    end

    def convert
      known = [*Formats.written.flat_map(&:options), *Formats::Prepared::OPTIONS].map(&:key).uniq
      options = options("--as", *known.map { |key| "--#{key}" }).transform_keys { |name| name.delete_prefix("--") }
      from, to = given(2, "a file to read and one to write")
      format = Files.format(to, options.delete("as"))
      result = Walls.palette(file(from), name: name(from))
      sending = Files.sending(result, format, to, options)
      write(to, sending.bytes)
      print(Files.converted(result, sending))
    end

    # @return [Integer] exit status
    def check
      path = path("a palette file")
      notes = Walls.palette(file(path), name: name(path)).notes
      notes.each { |note| @output.puts note.to_s }
      notes.empty? ? 0 : 1
    end

    def formats = print(Files.formats)

    def ramp
      options = options("--darker", "--lighter", "--darkest", "--lightest", "--turn-dark", "--turn-light", "--course")
      given = {darker: :whole, lighter: :whole, darkest: :number, lightest: :number, turn_dark: :number, turn_light: :number}.filter_map do |name, kind|
        option = "--#{name.to_s.tr("_", "-")}"
        [name, send(kind, option, options[option])] if options[option]
      end
      given << [:course, options["--course"].to_sym] if options["--course"]
      print(Making::Ramp.new(Notation.parse(one("a colour notation")), **given.to_h).colours.map { |each| describe(each) })
    end

    def mix
      way = options("--way").fetch("--way", "eye").to_sym
      one, two, share = exactly(3, "two colour notations and a share")
      print(describe(Making::Mix.of(Notation.parse(one), Notation.parse(two), number("the share", share), way:)))
    end

    def between
      raise Error, "expected the number of steps and two colour notations or more" if @arguments.size < 3
      steps, *anchors = @arguments.map(&:scrub)
      print(Making::Between.steps(anchors.map { |text| Notation.parse(text) }, whole("the number of steps", steps)).map { |each| describe(each) })
    end

    def harmony
      options = options("--spread", "--wheel")
      base, rule = exactly(2, "a colour notation and a rule")
      spread = number("--spread", options.fetch("--spread", "30"))
      print(Making::Harmony.of(Notation.parse(base), rule.tr(" -", "__").to_sym, spread:, wheel: options.fetch("--wheel", "light").to_sym).map { |each| describe(each) })
    end
  end
end
