module Magpie
  class Artwork
    # How a pattern lies at a place: shifted, turned, scaled and mirrored, and whether it is
    # repeated. Where nothing is said its tiles begin at the origin of the part's units, so
    # that parts side by side have theirs in one row.
    #
    # @!attribute shift [Array<Float>] in the part's own units, to the right and down
    # @!attribute turn [Float] degrees, with the clock
    # @!attribute scale [Float]
    # @!attribute mirror [String, nil] one of MIRRORS
    # @!attribute fit [String] one of FITS
    Tiling = Struct.new(:shift, :turn, :scale, :mirror, :fit, keyword_init: true)

    class Tiling
      FITS = {"repeat" => "repeated", "once" => "once", "fitted" => "once, fitted", "filling" => "once, filling"}.freeze
      # Along which axis it is turned over.
      MIRRORS = {"across" => "across", "down" => "up and down", "both" => "both ways"}.freeze
      SCALES = 0.01..100.0

      def initialize(shift: [0.0, 0.0], turn: 0.0, scale: 1.0, fit: "repeat", **given) = super

      # @param data [Hash] as #to_h gives it
      # @raise [Magpie::Error]
      def self.from_h(data) = new(**data.transform_keys(&:to_sym).slice(*members)).checked

      # @return [Tiling]
      # @raise [Magpie::Error]
      def checked
        raise Error, "a pattern is shifted nowhere: expected two numbers" unless shift.is_a?(Array) && shift.size == 2 && shift.all? { |value| number?(value) && value.abs <= Placing::LARGEST }
        raise Error, "a pattern is turned by #{turn.inspect}: expected −360 to 360 degrees" unless number?(turn) && turn.between?(-360, 360)
        raise Error, "a pattern is scaled by #{scale.inspect}: expected #{SCALES.begin} to #{SCALES.end}" unless number?(scale) && SCALES.cover?(scale)
        raise Error, "#{mirror.inspect} mirrors nothing: expected #{MIRRORS.keys.join(", ")}" unless mirror.nil? || MIRRORS.key?(mirror)
        raise Error, "#{fit.inspect} is no way to lay a pattern: expected #{FITS.keys.join(", ")}" unless FITS.key?(fit)
        self
      end

      # What is usual is not said.
      def to_h = super.reject { |name, value| value == USUAL[name] }.transform_keys(&:to_s)

      # Is there one tile only?
      def once? = fit != "repeat"

      def with(**given) = dup.tap { |made| given.each { |name, value| made[name] = value } }

      # Turned over along one axis more, or less.
      # @param axis [String] "across", "down"
      def mirrored(axis)
        now = MIRRORED.fetch(mirror) - [axis] | ([axis] - MIRRORED.fetch(mirror))
        with(mirror: MIRRORED.key(now.sort))
      end

      # What it does to a pattern: that is repeated begins at the origin of the part's units;
      # one tile stands in the middle of the part.
      # @return [Affine]
      def matrix
        across, down = %w[across down].map { |axis| MIRRORED.fetch(mirror).include?(axis) ? -scale : scale }
        Affine.moved(*shift) * Affine.turned(turn) * Affine.new(across.to_f, 0.0, 0.0, down.to_f, 0.0, 0.0)
      end

      # Where its one tile lies, or the first one, from units of the tile to those of the part.
      # @param frame [Frames::Frame] of the part
      # @param width, height [Float] of the tile
      # @param size [Float] how wide it is in the part
      # @param angle [Float] degrees, of the pattern itself
      # @return [Affine]
      def axes(frame, width, height, size, angle)
        turned = Affine.turned(angle)
        return matrix * turned * scaled(size / width) unless once?
        Affine.moved(*Tiling.middle(frame)) * matrix * turned * scaled(fitted(frame, turned, width, height, size)) * Affine.moved(-width / 2.0, -height / 2.0)
      end

      # Moved, turned and scaled besides.
      # @param by [Affine] without a mirror, in units of the part
      # @param frame [Frames::Frame] of the part
      def moved(by, frame)
        x, y = once? ? Tiling.middle(frame) : [0.0, 0.0]
        across, down = by.point(x + shift[0], y + shift[1])
        with(shift: [across - x, down - y], turn: Tiling.round(turn + Math.atan2(by.b, by.a) * 180 / Math::PI), scale: (scale * Math.hypot(by.a, by.b)).clamp(SCALES))
      end

      # What its pattern is at this turn and scale, and how that lies so that the same is seen; what is
      # fitted into parts has a scale in each.
      # @param pattern [Palette::Compound]
      # @return [[Palette::Compound, Tiling]]
      def within(pattern)
        size = pattern.size * scale
        return [pattern, self] unless %w[repeat once].include?(fit) && Palette::Compound::SIZES.cover?(size)
        [pattern.with(angle: Tiling.round(pattern.angle + turn * handed), size:), with(turn: 0.0, scale: 1.0)]
      end

      # Where it is mirrored along one axis, what turns it turns the pattern against the clock.
      # @return [Integer] 1 or -1
      def handed = %w[across down].include?(mirror) ? -1 : 1

      # Degrees, from 0 to less than 360.
      def self.round(degrees) = (degrees % 360).round(6) % 360

      # @return [Array<Float>] a point
      def self.middle(frame) = frame.box.then { |left, top, width, height| [left + width / 2, top + height / 2] }

      USUAL = new.each_pair.to_h.freeze
      MIRRORED = {nil => [], "across" => %w[across], "down" => %w[down], "both" => %w[across down]}.freeze

      private

      def number?(value) = value.is_a?(Numeric) && value.to_f.finite?

      def scaled(by) = Affine.new(by.to_f, 0.0, 0.0, by.to_f, 0.0, 0.0)

      # So that all of the tile is seen, turned as it is; or so that the frame is full of it.
      def fitted(frame, turned, width, height, size)
        _, _, across, down = frame.box
        case fit
        when "fitted" then turned.box([0.0, 0.0, width, height]).then { |_, _, wide, high| [across / wide, down / high].min }
        when "filling" then turned.inverse.box([0.0, 0.0, across, down]).then { |_, _, wide, high| [wide / width, high / height].max }
        else size / width
        end
      end
    end
  end
end
