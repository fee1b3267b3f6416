require "json"

module Magpie
  module Formats
    # Design tokens of the W3C Design Tokens Community Group, format and colour
    # modules 2025.10. Groups become groups (a nested one is named by its path),
    # colour tokens become swatches, aliases are followed. What the format has no
    # place for stands in $extensions, so that a round trip loses nothing.
    class Tokens < Format
      declare key: "tokens", title: "Design tokens", ending: ".tokens.json", media_type: "application/json",
        carries: "groups, names, codes, kinds, exact colours, opacity, notes and the shared marks"

      EXTENSION = "org.yellow-magpie"

      # Colour spaces of the colour module, and the models that they are.
      SPACES = {
        "srgb" => :srgb, "srgb-linear" => :srgb_linear, "hsl" => :hsl, "hwb" => :hwb, "lab" => :lab, "lch" => :lch,
        "oklab" => :oklab, "oklch" => :oklch, "display-p3" => :display_p3, "a98-rgb" => :a98_rgb,
        "prophoto-rgb" => :prophoto_rgb, "rec2020" => :rec2020, "xyz-d65" => :xyz_d65, "xyz-d50" => :xyz_d50
      }.freeze
      MODELS = SPACES.invert.freeze

      autoload :Aliases, "magpie/formats/tokens/aliases"
      autoload :Extending, "magpie/formats/tokens/extending"
      autoload :Reader, "magpie/formats/tokens/reader"
      autoload :Writer, "magpie/formats/tokens/writer"

      def self.recognise?(text) = text.lstrip.start_with?("{")

      # @return [Result]
      # @raise [Magpie::Error]
      def self.read(text, name) = Reader.new(text, name).result

      # @return [Array<String>]
      def self.losses(palette)
        compounds = palette.swatches.count(&:compound)
        return [] if compounds.zero?
        ["#{Text.count(compounds, "gradient or pattern").sub("gradient or patterns", "gradients or patterns")} #{(compounds == 1) ? "goes as the colour in its" : "go as the colour in their"} middle"]
      end

      def self.write(palette) = Writer.new(palette).text
    end
  end
end
