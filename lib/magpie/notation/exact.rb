module Magpie
  module Notation
    # A colour as CSS that reads back as the same: in its own model where CSS has it and
    # the colour lies in what that may say, to six decimals.
    module Exact
      DECIMALS = 6
      FUNCTIONS = {
        srgb: ["rgb", [0..1.0] * 3], hsl: ["hsl", [nil, 0..100, 0..100]], hwb: ["hwb", [nil, 0..100, 0..100]], lab: ["lab", [0..100, nil, nil]],
        lch: ["lch", [0..100, 0.., nil]], oklab: ["oklab", [0..1, nil, nil]], oklch: ["oklch", [0..1, 0.., nil]]
      }.freeze
      SPACES = Forms::Spaces::NAMES.invert.freeze

      module_function

      # @param color [Color]
      # @return [String] CSS Color 4
      def css(color)
        return color.hex if eight_bits?(color)
        name, ranges = FUNCTIONS[color.model]
        return function(name, numbers(color), color.alpha) if name && color.components.zip(ranges).all? { |value, range| range.nil? || range.cover?(value) }
        return css(color.to(color.in_srgb? ? :srgb : :lab)) if !SPACES[color.model] && (color.model == :cmyk || color.in_srgb?) && !name
        color = color.to(:xyz_d65) unless SPACES[color.model]
        function("color", [SPACES.fetch(color.model), *color.components.map { |value| Forms.short(value, DECIMALS) }], color.alpha)
      end

      # In a model that is asked for.
      # @param model [Symbol] one of FUNCTIONS, :display_p3 or :hex
      def in(color, model)
        return color.hex if model == :hex
        css((FUNCTIONS.key?(model) && Forms::OF_THE_SCREEN.include?(FUNCTIONS[model][0].to_sym)) ? Gamut.to_srgb(color).to(model) : color.to(model))
      end

      # @param text [String] as #css wrote it
      # @return [Color]
      def read(text) = Notation.parse(text, lenient: true)

      def eight_bits?(color) = color.model == :srgb && [*color.components, color.alpha].all? { |value| value.between?(0, 1) && (value * 255 - (value * 255).round).abs < 1e-9 }

      def numbers(color)
        scale = (color.model == :srgb) ? 255 : 1
        units = %i[hsl hwb].include?(color.model) ? ["", "%", "%"] : ["", "", ""]
        color.components.zip(units).map { |value, unit| "#{Forms.short(value * scale, DECIMALS)}#{unit}" }
      end

      def function(name, numbers, alpha) = "#{name}(#{numbers.join(" ")}#{" / #{Forms.short(alpha, DECIMALS)}" if alpha < 1})"
    end
  end
end
