module Magpie
  module Vision
    # How a picture looks to other eyes and in other light: what each pixel becomes, as a
    # matrix and a veil that are applied to linear light.
    #
    # @!attribute matrix [Array<Array<Float>>] 3 × 3, on linear sRGB
    # @!attribute veil [Float] what is added to each channel
    Looking = Struct.new(:matrix, :veil) do
      # A colour as it would look.
      # @return [Color] in sRGB
      def of(color)
        linear = Color::Matrix.apply(matrix, Gamut.to_srgb(color).in(:srgb_linear)).map { |value| (value + veil).clamp(0.0, 1.0) }
        Color.new(:srgb_linear, linear, color.alpha).to(:srgb)
      end

      # Four rows of five, as SVG's feColorMatrix has them.
      # @return [String]
      def filter = [*matrix.map { |row| [*row, 0, veil] }, [0, 0, 0, 1, 0]].flatten.map { |value| value.round(6) }.join(" ")
    end

    class Looking
      # What they are called, in their order.
      KINDS = {grey: "Greys", red: "Weak red cones", green: "Weak green cones", blue: "Weak blue cones", bright: "Bright light", lamp: "Warm lamp", dusk: "Dusk"}.freeze

      IDENTITY = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]].freeze
      # Rods from XYZ: Pattanaik et al., "A multiscale model of adaptation and spatial
      # vision for realistic image display", 1998.
      RODS = [-0.702, 1.039, 0.433].freeze

      # A screen whose white has 250 cd/m² and that reflects 5 % of 3,000 lx, by a window.
      GLARE = 0.05 * 3000 / Math::PI / 250
      # A lamp of 100 lx: the eye adapts to a fifth of what its white gives back, in cd/m².
      BY_LAMP = 0.2 * 100 / Math::PI
      # A shop has 500 lx.
      BY_TUBES = 0.2 * 500 / Math::PI
      # At dusk rods give so much of what is seen, of so much of the light.
      BY_RODS, DIMMED = 0.6, 0.45

      class << self
        # @param kind [Symbol] a key of KINDS
        # @return [Looking]
        # @raise [Magpie::Error]
        def at(kind)
          raise Error, "#{kind.to_s[0, 40]} is no way of looking: expected #{Text.list(KINDS.keys.map(&:to_s)).sub(" and ", " or ")}" unless KINDS.key?(kind)
          (@made ||= {})[kind] ||= KINDS.keys.first(4).drop(1).include?(kind) ? new(Vision.matrix(kind, 1.0), 0.0) : send(kind)
        end

        # By a light to which an eye adapts in part; no channel is more than white.
        # @param light [Light]
        # @param luminance [Float] cd/m² of what it adapts to
        # @return [Looking]
        def under(light, luminance)
          seen = Adaptation.matrix(light.white, white, [Adaptation.degree(luminance), 1.0])
          made = [Adaptation.matrix(white, light.white), seen, from_xyz].reduce(to_xyz) { |done, matrix| Color::Matrix.times(matrix, done) }
          most = made.map(&:sum).max
          new(made.map { |row| row.map { |value| value / most } }, 0.0)
        end

        private

        def grey = new([to_xyz[1]] * 3, 0.0)

        # The veil is taken for black by an eye that takes white for white.
        def bright = new(IDENTITY.map { |row| row.map { |value| value / (1 + GLARE) } }, GLARE / (1 + GLARE))

        def lamp = under(Light::A, BY_LAMP)

        # Colours fade, and what is blue stays light longer than what is red.
        def dusk
          rods = Color::Matrix.times([RODS], to_xyz).first
          rods = rods.map { |value| value / rods.sum }
          new(IDENTITY.map { |row| row.zip(rods).map { |own, rod| DIMMED * ((1 - BY_RODS) * own + BY_RODS * rod) } }, 0.0)
        end

        def to_xyz = @to_xyz ||= IDENTITY.map { |axis| Color.new(:srgb_linear, axis).in(:xyz_d65) }.transpose

        def from_xyz = Color::Matrix.invert(to_xyz)

        def white = to_xyz.map(&:sum)
      end
    end
  end
end
