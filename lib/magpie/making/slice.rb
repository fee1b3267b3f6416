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
    PLANES = [
      Plane.new(name: :chroma_lightness, model: :oklch, across: [1, 0..0.37], up: [0, 0..1.0], held: 2, linear: ->(c, l, h) { polar.call(l, c, h) }),
      Plane.new(name: :hue_chroma, model: :oklch, across: [2, 0..360.0], up: [1, 0..0.37], held: 0, linear: ->(h, c, l) { polar.call(l, c, h) }),
      Plane.new(name: :a_b, model: :lab, across: [1, -110..110.0], up: [2, -110..110.0], held: 0, linear: ->(a, b, l) { Bulk.lab_to_linear([l, a, b]) }),
      Plane.new(name: :saturation_brightness, model: :hsb, across: [1, 0..100.0], up: [2, 0..100.0], held: 0, linear: hsb)
    ].to_h { |plane| [plane.name, plane] }.freeze

    WIDTH = 270
    HEIGHT = 214
    # The press's edge is looked for on every so many pixels.
    COARSE = 4
    DUST = 1e-4
    # Linear light in 65,536 steps, each a twentieth of a bit in the darks and less elsewhere.
    EIGHT_BITS = Numo::UInt8.cast(Bulk.linear_to_srgb([Numo::DFloat.new(0x10000).seq / 0xFFFF]).first * 255 + 0.5)

    attr_reader :plane

    # @param plane [Symbol] a key of PLANES
    # @param held [Float] the value of the channel that is held
    # @raise [Magpie::Error]
    def initialize(plane, held)
      @plane = PLANES.fetch(plane) { raise Error, "no such slice: expected #{PLANES.keys.join(", ").tr("_", " ")}" }
      @held = held.to_f
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
      linear = linear(WIDTH, HEIGHT)
      inside = linear.map { |c| (c >= -DUST) & (c <= 1 + DUST) }.reduce(:&)
      inside = Numo::UInt8.cast(inside)
      bands = [*linear.map { |c| eight_bits(c) }, inside * 255].map { |band| band.reshape(HEIGHT, WIDTH) }
      draw(bands, edge(inside.reshape(HEIGHT, WIDTH)), [22, 22, 22, 255])
      draw(bands, broken(edge(press(inside.reshape(HEIGHT, WIDTH)))), [255, 255, 255, 255])
      images = bands.map { |band| ::Vips::Image.new_from_memory_copy(band.to_binary, WIDTH, HEIGHT, 1, :uchar) }
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
      width, height = (WIDTH + COARSE - 1) / COARSE, (HEIGHT + COARSE - 1) / COARSE
      lab = Bulk.linear_to_lab(linear(width, height))
      printed = Press.usual.printed(lab)
      small = Numo::UInt8.cast(Bulk.de2000(lab, printed) <= Press::OUTSIDE).reshape(height, width)
      large = small[(0...HEIGHT).map { |y| y / COARSE }, true].dup[true, (0...WIDTH).map { |x| x / COARSE }].dup
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
      y, x = Numo::Int32.new(HEIGHT, 1).seq, Numo::Int32.new(1, WIDTH).seq
      edge * Numo::UInt8.cast(((x + y) / 3 % 2).eq(0))
    end

    def draw(bands, mask, rgba)
      set = mask.ne(0)
      bands.zip(rgba) { |band, value| band[set] = value }
    end
  end
end
