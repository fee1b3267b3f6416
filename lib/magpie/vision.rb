module Magpie
  # How a colour looks with a colour-vision deficiency, in linear light. Source:
  # Machado, Oliveira, Fernandes, "A Physiologically-based Model for Simulation of
  # Color Vision Deficiency", 2009, with the matrices that the authors publish for
  # severities from 0 to 1 in tenths; between two of them straight.
  module Vision
    autoload :Adaptation, "magpie/vision/adaptation"
    autoload :Looking, "magpie/vision/looking"
    autoload :Room, "magpie/vision/room"

    KINDS = %i[red green blue].freeze # weak: protan, deutan, tritan

    module_function

    # @param kind [Symbol] :red, :green or :blue: which cones are weak
    # @param severity [Float] 0..1
    # @return [Color] in sRGB
    # @raise [Magpie::Error]
    def seen(color, kind, severity: 1.0)
      rgb = Color::Matrix.apply(matrix(kind, severity), Gamut.to_srgb(color).in(:srgb_linear))
      Color.new(:srgb_linear, rgb.map { |value| value.clamp(0.0, 1.0) }, color.alpha).to(:srgb)
    end

    # Many colours at once: first as the screen shows them, then as they are seen.
    # @param colours [Array<Color>]
    # @return [Array<Numo::DFloat>] linear light, see Bulk
    def shown(colours) = Bulk.columns(colours.map { |color| Gamut.to_srgb(color).in(:srgb_linear) })

    # @param linear [Array<Numo::DFloat>] as #shown gives them
    # @return [Array<Numo::DFloat>] the same
    def seen_linear(linear, kind, severity: 1.0)
      Bulk.apply(matrix(kind, severity), linear).map { |column| column.clip(0.0, 1.0) }
    end

    # Rows of the matrix in linear light.
    # @raise [Magpie::Error]
    def matrix(kind, severity)
      matrices = MATRICES.fetch(kind) { raise Error, "no such deficiency: expected red, green or blue" }
      index, share = (severity.clamp(0, 1) * 10).divmod(1)
      matrices[index].zip(matrices[[index + 1, 10].min]).map { |a, b| a + (b - a) * share }.each_slice(3).to_a
    end
  end
end

require "magpie/vision/matrices"
