require "numo/narray"

module Magpie
  # A plane through colour space, with one channel held: what of it the screen shows,
  # and the edge of what the press prints.
  class Slice
    # Channels across and up, what is held, and their ranges; `linear` turns three
    # columns (across, up, held) into linear light, see Bulk.
    Plane = Struct.new(:name, :model, :across, :up, :held, :linear, keyword_init: true)

    polar = ->(l, c, h) { Bulk.oklab_to_linear([l, c * Numo::NMath.cos(h * Bulk::DEGREE), c * Numo::NMath.sin(h * Bulk::DEGREE)]) }
    hsb = lambda do |s, b, h|
      [5, 3, 1].map do |n|
        k = (h / 60 + n) % 6
        ramp = Bulk.choose(k < 4 - k, k, 4 - k).clip(0, 1)
        b / 100 * (1 - s / 100 * ramp)
      end.then { |columns| Bulk.srgb_to_linear(columns) }
    end
    range = ->(model, channel) { Color.model(model).scales[channel].then { |scale| scale.from.to_f..scale.to.to_f } }
    plane = ->(name, model, across, up, held, linear) { Plane.new(name:, model:, across: [across, range.call(model, across)], up: [up, range.call(model, up)], held:, linear:) }
    PLANES = [
      plane.call(:chroma_lightness, :oklch, 1, 0, 2, ->(c, l, h) { polar.call(l, c, h) }),
      plane.call(:hue_chroma, :oklch, 2, 1, 0, ->(h, c, l) { polar.call(l, c, h) }),
      plane.call(:a_b, :lab, 1, 2, 0, ->(a, b, l) { Bulk.lab_to_linear([l, a, b]) }),
      plane.call(:saturation_brightness, :hsb, 1, 2, 0, hsb)
    ].to_h { |each| [each.name, each] }.freeze

    # The press's edge is looked for on every so many pixels.
    COARSE = 4
    DUST = 1e-4
    # Linear light in 65,536 steps, each a twentieth of a bit in the darks and less elsewhere.
    EIGHT_BITS = Numo::UInt8.cast(Bulk.linear_to_srgb([Numo::DFloat.new(0x10000).seq / 0xFFFF]).first * 255 + 0.5)

    attr_reader :plane

    # @param plane [Symbol] a key of PLANES
    # @param held [Float] the value of the channel that is held
    # @param width, height [Integer] pixels of the picture
    # @raise [Magpie::Error]
    def initialize(plane, held, width:, height:)
      @plane = PLANES.fetch(plane) { raise Error, "no such slice: expected #{PLANES.keys.join(", ").tr("_", " ")}" }
      @held = held.to_f
      @width, @height = width, height
    end

    # Where a colour lies: [across, up], each 0..1 within the slice, and what is held.
    # @return [Array<Float>]
    def self.place(plane, color)
      plane = PLANES.fetch(plane)
      color = Gamut.to_srgb(color) if plane.model == :hsb
      values = color.in(plane.model)
      within = ->((channel, range)) { ((values[channel] - range.begin) / (range.end - range.begin)).clamp(0.0, 1.0) }
      [within.call(plane.across), within.call(plane.up), values[plane.held]]
    end

    # @return [String] PNG: transparent beyond the screen, whose edge is a dark line;
    #   the press's edge is a broken light one
    def png
      linear = linear(@width, @height)
      inside = linear.map { |c| (c >= -DUST) & (c <= 1 + DUST) }.reduce(:&)
      inside = Numo::UInt8.cast(inside)
      bands = [*linear.map { |c| eight_bits(c) }, inside * 255].map { |band| band.reshape(@height, @width) }
      draw(bands, edge(inside.reshape(@height, @width)), [22, 22, 22, 255])
      draw(bands, broken(edge(press(inside.reshape(@height, @width)))), [255, 255, 255, 255])
      images = bands.map { |band| ::Vips::Image.new_from_memory_copy(band.to_binary, @width, @height, 1, :uchar) }
      images.first.bandjoin(images.drop(1)).copy(interpretation: :srgb).pngsave_buffer(compression: 1)
    end

    private

    # Linear light at the middles of width × height points, in rows from the top.
    def linear(width, height)
      across = scale(plane.across.last, (Numo::DFloat.new(width).seq + 0.5) / width)
      up = scale(plane.up.last, 1 - (Numo::DFloat.new(height).seq + 0.5) / height)
      whole = Numo::DFloat.zeros(height, width)
      plane.linear.call((whole + across).flatten.dup, (whole + up.reshape(height, 1)).flatten.dup, Numo::DFloat.zeros(height * width) + @held)
    end

    # Linear light as a screen's eight bits.
    def eight_bits(linear) = EIGHT_BITS[Numo::Int32.cast(linear.clip(0, 1) * 0xFFFF + 0.5)]

    def scale(range, part) = part * (range.end - range.begin) + range.begin

    # 1 where the press prints what is asked for within its ΔE00, as large as the slice.
    def press(inside)
      width, height = (@width + COARSE - 1) / COARSE, (@height + COARSE - 1) / COARSE
      lab = Bulk.linear_to_lab(linear(width, height))
      printed = Press.usual.printed(lab)
      small = Numo::UInt8.cast(Bulk.de2000(lab, printed) <= Press::OUTSIDE).reshape(height, width)
      large = small[(0...@height).map { |y| y / COARSE }, true].dup[true, (0...@width).map { |x| x / COARSE }].dup
      large * inside
    end

    # Where a mask changes to the right or downward.
    def edge(mask)
      edge = Numo::UInt8.zeros(*mask.shape)
      edge[0..-2, true] |= mask[0..-2, true] ^ mask[1..-1, true]
      edge[true, 0..-2] |= mask[true, 0..-2] ^ mask[true, 1..-1]
      edge
    end

    def broken(edge)
      y, x = Numo::Int32.new(@height, 1).seq, Numo::Int32.new(1, @width).seq
      edge * Numo::UInt8.cast(((x + y) / 3 % 2).eq(0))
    end

    def draw(bands, mask, rgba)
      set = mask.ne(0)
      bands.zip(rgba) { |band, value| band[set] = value }
    end
  end
end
