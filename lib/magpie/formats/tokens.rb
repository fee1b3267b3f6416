require "json"

module Magpie
  module Formats
    # Design tokens of the W3C Design Tokens Community Group, format and colour
    # modules 2025.10. Groups become groups (a nested one is named by its path),
    # colour and gradient tokens become swatches, aliases are followed. What the format has
    # no place for stands in $extensions, so that a round trip loses nothing.
    class Tokens < Format
      EXTENSION = "org.yellow-magpie"

      # Colour spaces of the colour module, and the models that they are.
      SPACES = {
        "srgb" => :srgb, "srgb-linear" => :srgb_linear, "hsl" => :hsl, "hwb" => :hwb, "lab" => :lab, "lch" => :lch,
        "oklab" => :oklab, "oklch" => :oklch, "display-p3" => :display_p3, "a98-rgb" => :a98_rgb,
        "prophoto-rgb" => :prophoto_rgb, "rec2020" => :rec2020, "xyz-d65" => :xyz_d65, "xyz-d50" => :xyz_d50
      }.freeze
      MODELS = SPACES.invert.freeze
      CHOICES = {"given" => "as defined", **%w[srgb display-p3 hsl lab lch oklab oklch].to_h { |space| [space, space] }}.freeze

      declare key: "tokens", title: "Design tokens", endings: [".tokens.json", ".json"], media_type: "application/json", rank: 10, brief: "all but empty slots",
        carries: Carried::FEATURES, options: [Option.new("model", "Colour space", CHOICES, "given")]

      autoload :Aliases, "magpie/formats/tokens/aliases"
      autoload :Extending, "magpie/formats/tokens/extending"
      autoload :Exactly, "magpie/formats/tokens/exactly"
      autoload :Reader, "magpie/formats/tokens/reader"
      autoload :Stops, "magpie/formats/tokens/stops"
      autoload :Writer, "magpie/formats/tokens/writer"

      class << self
        # @param source [Source]
        def fits(source) = source.head.lstrip.start_with?("{") ? 80 : 0

        # @return [Result]
        def read(source) = Reader.new(source).result

        # What came back is what went, to the last bit.
        def carried(palette, _options) = palette

        def write(palette, options = {}) = Writer.new(palette, options).text
      end
    end
  end
end
