require "digest"

# Yellow Magpie's core: colours, pictures, artworks and palettes as values and
# pure functions. It knows no web and no database. Everything is autoloaded, so
# that a shell command loads only what it uses.
module Magpie
  # Bad input of any kind. The message says what was wrong with what, where, and
  # is written for the person who brought it in; file and place say so to programs.
  class Error < StandardError
    # @return [String, nil] how the file is called, where one is to blame
    attr_reader :file
    # @return [String, nil] where in it: a line, a byte, a path
    attr_reader :place

    # @param message [String] with the file's name in it where a file is given; names of
    #   files and what libraries quote can be anything, what people read is text
    def initialize(message = nil, file: nil, place: nil)
      super(message&.scrub)
      @file, @place = file, place
    end

    # The same, said of a file, unless it is already.
    def in(file) = @file ? self : self.class.new("#{file}: #{message}", file:, place:)

    # The same, said of a place, unless it is already.
    def at(place) = @place ? self : self.class.new("#{place}: #{message}", file:, place:)
  end

  # Which code computes: the same for the same files. What was computed and kept by
  # another edition is computed again.
  # @return [String] hexadecimal
  def self.edition
    @edition ||= Dir[File.join(__dir__, "magpie", "**", "*.rb")].sort.reduce(Digest::SHA256.new) { |digest, path| digest << File.binread(path) }.hexdigest[0, 12]
  end

  autoload :Limits, "magpie/limits"
  autoload :Color, "magpie/press/models"
  autoload :Bulk, "magpie/color/bulk"
  autoload :Screen, "magpie/color/screen"
  autoload :Light, "magpie/color/light"
  autoload :Spectrum, "magpie/color/spectrum"
  autoload :Notation, "magpie/notation"
  autoload :Difference, "magpie/difference"
  autoload :Gamut, "magpie/color/gamut"
  autoload :Making, "magpie/making"
  autoload :Slice, "magpie/making/slice"
  autoload :Vision, "magpie/vision"
  autoload :Contrast, "magpie/color/contrast"
  autoload :ColorName, "magpie/names/color_name"
  autoload :Press, "magpie/press"
  autoload :Picture, "magpie/picture"
  autoload :Library, "magpie/library"
  autoload :Palette, "magpie/palette"
  autoload :Artwork, "magpie/artwork"
  autoload :Painters, "magpie/painters"
  autoload :Formats, "magpie/formats"
  autoload :CSS_NAMES, "magpie/notation/css_names"
  autoload :Text, "magpie/text"
  autoload :Walls, "magpie/walls"
  autoload :CommandLine, "magpie/shell/command_line"
end
