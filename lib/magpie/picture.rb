module Magpie
  # A picture that colours are read from, decoded by libvips: its EXIF orientation
  # applied, its profile, 16 bits and opacity kept. Coordinates are pixels of the
  # upright picture, from the top left.
  class Picture
    autoload :File, "magpie/picture/file"
    autoload :Pixels, "magpie/picture/pixels"
    autoload :Probe, "magpie/picture/probe"
    autoload :Region, "magpie/picture/region"
    autoload :Patch, "magpie/picture/patch"
    autoload :Fill, "magpie/picture/fill"
    autoload :Edges, "magpie/picture/edges"
    autoload :Outline, "magpie/picture/outline"
    autoload :Reading, "magpie/picture/reading"
    autoload :MostCommon, "magpie/picture/most_common"
    autoload :Piece, "magpie/picture/piece"
    autoload :SoftProof, "magpie/picture/soft_proof"
    autoload :Profile, "magpie/picture/profile"
    autoload :Tone, "magpie/picture/tone"
    autoload :Working, "magpie/picture/working"
    autoload :Lattice, "magpie/picture/lattice"
    autoload :Cells, "magpie/picture/cells"
    autoload :Clusters, "magpie/picture/clusters"
    autoload :MainColours, "magpie/picture/main_colours"
    autoload :Boxes, "magpie/picture/boxes"
    autoload :Few, "magpie/picture/few"
    autoload :Thickest, "magpie/picture/thickest"

    # @param bytes [String] a file in one of File::FORMATS
    # @param name [String] how the file is called, for messages
    # @param draw [Proc, nil] makes of the bytes and the name of a drawing an SVG that can
    #   be painted; without it drawings are refused. See Painters.picture
    # @raise [Magpie::Error] when it is not a picture, damaged or too large
    def self.read(bytes, name: "the file", draw: nil)
      file = File.new(bytes, name, draw)
      new(file.image, file.facts)
    end

    # For lists. What is transparent stands on the ground of the room.
    # @param image [Vips::Image] in sRGB
    def self.small_jpeg(image)
      image = image.flatten(background: 220) if image.has_alpha?
      image.jpegsave_buffer(Q: 82, strip: true)
    end

    # @param path [String] a picture written by #store, opened without decoding again
    # @raise [Magpie::Error] when there is none
    def self.reopen(path)
      new(Vips.call("the stored picture") { ::Vips::Image.new_from_file(path) })
    end

    attr_reader :image

    # @return [Hash, nil] what the file was, see File#facts; nil once reopened
    attr_reader :facts

    # @param image [Vips::Image] upright
    def initialize(image, facts = nil)
      @image = image
      @facts = facts
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
    def at(x, y, probe: 5) = read(Probe.square(self, x, y, probe), at: [x, y])

    # @param region [Region]
    # @param at [[Integer, Integer], nil] the place it stands for, its middle if nil
    # @return [Reading]
    def read(region, at: nil)
      at ||= [region.left + region.width / 2, region.top + region.height / 2]
      Vips.call("the picture") { Reading.of(self, region, at:) }
    end

    # Every second, third, … pixel across and down, so many that a mean or a median over
    # all of it hardly differs.
    # @param pixels [Integer] about as many are left
    # @return [Picture]
    def thinned(pixels)
      step = Math.sqrt(width * height / pixels.to_f).floor
      (step < 2) ? self : Picture.new(Pixels.every(step, image), facts)
    end

    # In three bands of 8 bits, for choosing among all pixels.
    def working = @working ||= Working.new(image)

    # @raise [Magpie::Error]
    def check_inside(x, y)
      return if x.between?(0, width - 1) && y.between?(0, height - 1)
      raise Error, "#{x}, #{y} lies outside the picture, which is #{width} × #{height}"
    end

    # The picture as a screen shows it, for browsers that would show the file itself
    # differently or not at all.
    # @return [String] PNG bytes, 8 bits, sRGB
    def on_screen
      Vips.call("the picture") { shown(image).pngsave_buffer(compression: 1, strip: true) }
    end

    # As a screen shows it, no larger than that.
    # @param longest [Integer] px
    # @return [Vips::Image] 8 bits, sRGB
    def within(longest) = Vips.call("the picture") { shown(image).then { |whole| (whole.size.max > longest) ? whole.thumbnail_image(longest, height: longest, size: :down) : whole } }

    # @param most [Integer]
    # @return [Hash{Array<Integer> => Integer}, nil] see Few
    def few_colours(most)
      Vips.call("the picture") { Few.of(shown(image), shown(thinned(Few::LOOK).image), most) }
    end

    # What lies round a place, as PNG; `scale` enlarges its pixels.
    def crop(x, y, width, height, scale: 1)
      left = (x - width / 2).clamp(0, [self.width - width, 0].max)
      top = (y - height / 2).clamp(0, [self.height - height, 0].max)
      Vips.call("the picture") do
        shown(image.crop(left, top, [width, self.width].min, [height, self.height].min)).zoom(scale, scale).pngsave_buffer(compression: 1, strip: true)
      end
    end

    # A small JPEG that covers width × height, for lists. Of what has to be enlarged the rest is cut
    # off first: a strip of 1 × 60,000 px had 3.4 thousand million then.
    def thumbnail(width, height)
      Vips.call("the picture") do
        enlarged = self.width < width || self.height < height
        covers = enlarged ? image.smartcrop(*covering(width.fdiv(height)), interesting: :centre) : image
        Picture.small_jpeg(shown(covers.thumbnail_image(width, height:, crop: :centre)))
      end
    end

    private

    # @param shape [Float] width by height
    # @return [Array(Integer, Integer)] the largest of that shape within the picture
    def covering(shape)
      [[(height * shape).ceil, width].min, [(width / shape).ceil, height].min]
    end

    def shown(image)
      return image if image.format == :uchar && image.interpretation == :srgb && !Pixels.profile?(image)
      return image.colourspace(:srgb) unless Pixels.profile?(image) || image.interpretation == :cmyk
      fallback = (image.interpretation == :cmyk) ? "cmyk" : "srgb"
      image.icc_transform("srgb", embedded: true, input_profile: fallback, intent: :relative, depth: 8)
    end
  end
end

require "numo/narray"
require "magpie/picture/vips"
