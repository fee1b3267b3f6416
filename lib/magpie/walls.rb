require "socket"

module Magpie
  # Files from outside are decoded and drawn in processes of their own, which may die: what
  # a file does to the one that reads it, it does to nobody else. A keeper holds a few such
  # cells ready; each does one piece of work, with limits that the system enforces, and is
  # gone. A server starts a keeper that knows nothing of it (see .keep_by); that of a shell
  # command is a fork of it.
  module Walls
    autoload :Cell, "magpie/walls/cell"
    autoload :Channel, "magpie/walls/channel"
    autoload :Gate, "magpie/walls/gate"
    autoload :Jobs, "magpie/walls/jobs"
    autoload :Keeper, "magpie/walls/keeper"

    MEMORY = 1024 * 1024 * 1024 # bytes of its own that a cell may have
    SECONDS = 10 # of processor time, of all its threads
    # Seconds by the clock for one piece of work. What works is ended by its processor time;
    # this is for what waits, and long enough for a machine that is busy with others.
    WAIT = 60
    QUEUE = 30 # seconds that a piece of work waits for a cell
    CELLS = 2 # ready at once, for each process that has work for them

    # The cell died of its work.
    class Broken < Error
      # @return [String, nil] the mistake of ours that it made, for the log
      attr_accessor :mistake
    end

    @lock = Mutex.new

    module_function

    # @return [Artwork]
    # @raise [Magpie::Error]
    def artwork(bytes, name:) = work(:artwork, name, bytes)

    # @return [Array(String, Array<Painters::Seam::Edge>)] a tile of a pattern, see Painters::OwnTile
    # @raise [Magpie::Error]
    def tile(bytes, name:) = work(:tile, name, bytes)

    # @param to [String, nil] path of the file that its pixels are written to, see Picture.reopen
    # @param toned [Boolean] is its tone asked for?
    # @return [Jobs::Opened]
    # @raise [Magpie::Error]
    def picture(bytes, name:, to: nil, toned: true) = work(:picture, name, bytes, to, toned)

    # @param drawing [String] SVG of a painter, which is safe
    # @return [String] PNG, as small as it is shown among others
    # @raise [Magpie::Error]
    def small(drawing, name:) = work(:small, name, drawing)

    # @param size [Array<Numeric>] width and height of the drawing
    # @return [String] JPEG of exactly width × height, its middle
    def thumbnail(drawing, size, width, height, name:) = work(:thumbnail, name, drawing, size, width, height)

    # @param drawing [String] the same
    # @param condition [Press::Condition]
    # @param paper [Boolean] on the paper's own white?
    # @return [String] PNG of what the press makes of it
    # @raise [Magpie::Error]
    def printed(drawing, condition, paper:, name:) = work(:printed, name, drawing, condition, paper)

    # What a press makes of colours, where its profile came from outside.
    # @param condition [Press::Condition]
    # @param colours [Array<Color>]
    # @return [Array<Press::Proof>]
    # @raise [Magpie::Error]
    def proofs(condition, colours) = work(:proofs, condition.name, condition, colours)

    # @return [Array<[Integer, Color, Float]>] see Palette::Unprintable
    # @raise [Magpie::Error]
    def unprintable(condition, colours, limit) = work(:unprintable, condition.name, condition, colours, limit)

    # A piece cut out of a picture.
    # @param corners [Array<Array<Float>>] shares of its sides
    # @return [Array(String, Integer, Integer)] PNG, and its width and height
    # @raise [Magpie::Error]
    def piece(bytes, corners, straightened:, name:) = work(:piece, name, bytes, corners, straightened)

    # @param drawing [String] SVG of our own
    # @param width [Integer] px
    # @return [String] PNG
    # @raise [Magpie::Error]
    def drawn(drawing, width, name:) = work(:drawn, name, drawing, width)

    # @param lab [Array<Float>]
    # @return [Array(Array<Float>, Float)] inks that come nearest, and ΔE00
    # @raise [Magpie::Error]
    def closest(condition, lab) = work(:closest, condition.name, condition, lab)

    # @param as [String, nil] key of the format to read it as
    # @param columns [Hash{Integer => String}, nil] of a table, by hand
    # @return [Formats::Result]
    # @raise [Magpie::Error]
    def palette(bytes, name:, as: nil, columns: nil) = work(:palette, name, bytes, as, columns)

    # @return [Press::Profile] of an ICC profile
    # @raise [Magpie::Error]
    def profile(bytes, name:) = work(:profile, name, bytes)

    # A press condition that is as its profile has it.
    # @return [Press::Condition]
    # @raise [Magpie::Error]
    def condition(bytes, name:)
      profile = profile(bytes, name:)
      Press::Condition.new(profile.description, bytes, intent: profile.intents.include?(:relative) ? :relative : profile.intents.first, limit: profile.limit)
    end

    # @return [Array<[String, String]>] names and bytes of the files in an archive, see Formats::Archive
    # @raise [Magpie::Error]
    def archive(bytes, name:) = work(:archive, name, bytes)

    # @param template [String] see Artwork
    # @param paints [Hash{[key, role] => Artwork::Paint}]
    # @return [[Hash, Hash]] see Painters::Grounds and Artwork::Opacities
    # @raise [Magpie::Error]
    def grounds(template, paints, name:) = work(:grounds, name, template, paints)

    # @return [String] see Artwork::Renewed
    # @raise [Magpie::Error]
    def renewed(template, name:) = work(:renewed, name, template)

    # Opens a picture to read at one place of it.
    # @param tolerance [Float, nil] of a patch; nil for a square
    # @return [Picture::Reading]
    # @raise [Magpie::Error]
    def reading(bytes, x, y, probe:, tolerance:, name:) = work(:reading, name, bytes, x, y, probe, tolerance)

    # @param how [Hash] as Picture::MainColours takes it
    # @return [Array<Picture::MainColours::MainColour>]
    # @raise [Magpie::Error]
    def main_colours(bytes, how, name:) = work(:main_colours, name, bytes, how)

    # @raise [Magpie::Error]
    def work(job, name, *given) = gate.work(job, name, given)

    # Starts the keeper, so that the first who needs it need not wait.
    def open = gate.open

    # How this application starts one: a command, which is given the number of the file
    # that it takes work from.
    # @param command [Array<String>]
    # @param env [Hash{String => String}] all that it gets of the environment
    def keep_by(command, env)
      @command, @env = command, env
    end

    # One for each process: what a fork inherits is its parent's.
    def gate
      @lock.synchronize { (@gate && @gate.pid == Process.pid) ? @gate : @gate = Gate.new(@command, @env) }
    end
  end
end
