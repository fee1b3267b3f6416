module Magpie
  # A picture that colours are read from, decoded by libvips: its EXIF orientation
  # applied, its profile, 16 bits and opacity kept. Coordinates are pixels of the
  # upright picture, from the top left.
  class Picture
    autoload :File, "magpie/picture/file"
    autoload :Pixels, "magpie/picture/pixels"
    autoload :Probe, "magpie/picture/probe"
    autoload :Reading, "magpie/picture/reading"
    autoload :MostCommon, "magpie/picture/most_common"
    autoload :Press, "magpie/picture/press"

    # @param bytes [String] a PNG, JPEG, WebP or GIF file
    # @param name [String] how the file is called, for messages
    # @raise [Magpie::Error] when it is not a picture, damaged or too large
    def self.read(bytes, name: "the file") = new(File.new(bytes, name).image)

    # @param path [String] a picture written by #store, opened without decoding again
    # @raise [Magpie::Error] when there is none
    def self.reopen(path)
      new(Vips.call("the stored picture") { ::Vips::Image.new_from_file(path) })
    end

    attr_reader :image

    # @param image [Vips::Image] upright
    def initialize(image)
      @image = image
    end

    def width = image.width

    def height = image.height

    # Writes the decoded pixels to a file that #reopen maps into memory.
    def store(path)
      Vips.call("the picture") { image.write_to_file(path) }
    end

    # @param x, y [Integer] the probe's middle
    # @param probe [Integer] the side of the square in pixels, one of Probe::SIZES
    # @return [Reading]
    # @raise [Magpie::Error] when the place lies outside the picture
    def at(x, y, probe: 5) = Probe.new(self, x, y, probe).reading

    # A small JPEG that covers width × height, for lists.
    def thumbnail(width, height)
      Vips.call("the picture") do
        small = image.thumbnail_image(width, height:, crop: :centre, export_profile: "srgb")
        small = small.flatten(background: 220) if small.has_alpha?
        small.jpegsave_buffer(Q: 82, strip: true)
      end
    end
  end
end

require "magpie/picture/vips"
