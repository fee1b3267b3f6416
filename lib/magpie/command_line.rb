require "json"

module Magpie
  # The core from a shell: prints JSON on standard output; on bad input prints one
  # line on standard error and returns 2.
  class CommandLine
    USAGE = <<~TEXT
      magpie colour NOTATION
      magpie difference A B
      magpie difference --batch            two notations a line, tab-separated, on standard input
      magpie picture FILE --at X,Y [--probe N]
      magpie artwork FILE.svg [--flat OUT.svg]
      magpie palette FILE
    TEXT

    def initialize(arguments, input: $stdin, output: $stdout, errors: $stderr)
      @arguments, @input, @output, @errors = arguments.dup, input, output, errors
    end

    # @return [Integer] exit status
    def run
      case @arguments.shift
      when "colour" then print(describe(Color.parse(one("a colour notation"))))
      when "difference" then difference
      when "picture" then picture
      when "artwork" then artwork
      when "palette" then palette
      when "help", "--help", "-h", nil then @output.puts USAGE
      else raise Error, "no such command: expected colour, difference, picture, artwork or palette"
      end
      0
    rescue Error => error
      @errors.puts error.message.lines.map(&:strip).join(" ")
      2
    end

    private

    def print(data) = @output.puts(JSON.generate(data))

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
      a, b = Color.parse(a), Color.parse(b)
      {de2000: Difference.de2000(a, b), ok: Difference.ok(a, b)}
    end

    def batch
      @input.each_line.with_index(1) do |line, number|
        next if line.strip.empty?
        pair = line.scrub.chomp.split("\t")
        raise Error, "line #{number} has #{Text.count(pair.size, "notation")}: expected two, with a tab between" unless pair.size == 2
        print(measure(*pair))
      rescue Error => error
        raise error.message.start_with?("line") ? error : Error.new("line #{number}: #{error.message}")
      end
    end

    def picture
      options = options("--at", "--probe")
      path = one("a picture")
      x, y = options.fetch("--at") { raise Error, "--at X,Y is missing" }.match(/\A(-?\d+),(-?\d+)\z/)&.captures&.map(&:to_i)
      raise Error, "--at is #{options["--at"]}: expected two whole numbers such as 120,80" unless y
      probe = Integer(options.fetch("--probe", "5"), exception: false) or raise Error, "--probe is #{options["--probe"]}: expected a whole number"
      reading = Picture.read(file(path), name: ::File.basename(path)).at(x, y, probe:)
      print(average: describe(reading.average), most_common: describe(reading.most_common), spread: reading.spread,
        verdict: reading.verdict, at: reading.at, probe: reading.probe, transparent: reading.transparent)
    end

    def artwork
      options = options("--flat")
      path = one("an SVG file")
      artwork = Artwork.read(file(path), name: ::File.basename(path))
      write(options["--flat"], artwork.flat) if options["--flat"]
      print(parts: artwork.parts.count { |part| part.kind == :part },
        colours: artwork.colours.map { |hex, places| {hex:, places:} }, dropped: artwork.dropped)
    end

    def palette
      path = one("a palette file")
      result = Formats.read(file(path), name: ::File.basename(path))
      print(name: result.palette.name, groups: result.palette.groups.map { |group| group(group) }, notes: result.notes)
    end

    def group(group)
      swatches = group.swatches.map do |swatch|
        {name: swatch.name, hex: swatch.colour.hex, colour: swatch.colour.to_h, shared: swatch.shared ? true : false, note: swatch.note}.compact
      end
      {name: group.name, note: group.note, swatches:}.compact
    end

    # Takes "--name value" out of the arguments.
    def options(*names)
      found = {}
      names.each do |name|
        next unless (index = @arguments.index(name))
        _, value = @arguments.slice!(index, 2)
        found[name] = value or raise Error, "#{name} needs a value"
      end
      found
    end

    def one(what) = exactly(1, what).first

    def exactly(count, what)
      raise Error, "expected #{what}, found #{Text.count(@arguments.size, "argument")}" unless @arguments.size == count
      @arguments
    end

    def file(path)
      ::File.binread(path)
    rescue SystemCallError => error
      raise Error, "#{path} cannot be read: #{error.message.split(" @").first.downcase}"
    end

    def write(path, text)
      ::File.write(path, text)
    rescue SystemCallError => error
      raise Error, "#{path} cannot be written: #{error.message.split(" @").first.downcase}"
    end
  end
end
