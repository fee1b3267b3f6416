module Magpie
  module Making
    # A ramp from dark to light through a base colour, in OKLCH. The hue turns by so
    # many degrees toward the dark and the light end; the chroma follows a course.
    class Ramp
      # What becomes of the chroma c of the base at lightness l, hue h:
      # - lightness: falls with the way to black or white;
      # - potential: keeps the share of the largest chroma that the screen has there;
      # - even: stays, as far as the screen has it.
      COURSES = {
        lightness: ->(ramp, l, _) { ramp.chroma * ((l < ramp.lightness) ? l / ramp.lightness : (1 - l) / (1 - ramp.lightness)) },
        potential: ->(ramp, l, h) { ramp.share * Gamut.most_chroma(l, h) },
        even: ->(ramp, *) { ramp.chroma }
      }.freeze

      MOST = 20

      attr_reader :lightness, :chroma, :hue

      # @param base [Color]
      # @param darker, lighter [Integer] steps on either side, 0 to 20
      # @param darkest, lightest [Float] OKLab lightness of the ends, 0..1
      # @param turn_dark, turn_light [Float] degrees of hue
      # @param course [Symbol] a key of COURSES
      # @raise [Magpie::Error]
      def initialize(base, darker: 3, lighter: 3, darkest: 0.25, lightest: 0.95, turn_dark: 0.0, turn_light: 0.0, course: :potential)
        raise Error, "#{darker} and #{lighter} steps: expected 0 to #{MOST} on either side" unless [darker, lighter].all? { |count| count.between?(0, MOST) }
        @course = COURSES.fetch(course) { raise Error, "no such course of chroma: expected #{COURSES.keys.join(", ")}" }
        @base = base
        @lightness, @chroma, @hue = base.in(:oklch)
        @darker, @lighter = darker, lighter
        @darkest, @lightest = check(darkest, lightest)
        @turn_dark, @turn_light = turn_dark, turn_light
      end

      # The share of the largest chroma that the base has.
      def share
        @share ||= begin
          most = Gamut.most_chroma(lightness, hue)
          most.zero? ? 0.0 : [chroma / most, 1.0].min
        end
      end

      # @return [Array<Color>] darkest first; the base is among them exactly
      def colours
        dark = (1..@darker).map { |n| step(n.fdiv(@darker), @darkest, @turn_dark) }.reverse
        light = (1..@lighter).map { |n| step(n.fdiv(@lighter), @lightest, @turn_light) }
        [*dark, @base, *light]
      end

      # What the three curves show: lightness, chroma and hue of each step.
      # @return [Array<Array<Float>>]
      def curves = colours.map { |colour| colour.in(:oklch) }

      private

      def check(darkest, lightest)
        raise Error, "the dark end is #{darkest.round(2)}: expected 0 up to the base's #{lightness.round(2)}" if @darker > 0 && !darkest.between?(0, lightness)
        raise Error, "the light end is #{lightest.round(2)}: expected the base's #{lightness.round(2)} up to 1" if @lighter > 0 && !lightest.between?(lightness, 1)
        [darkest, lightest]
      end

      def step(way, end_lightness, turn)
        l = Mix.between(lightness, end_lightness, way)
        h = (hue + turn * way) % 360
        Gamut.reduced(l, @course.call(self, l, h), h, @base.alpha)
      end
    end
  end
end
