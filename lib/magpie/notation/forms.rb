module Magpie
  module Notation
    # The written forms: which model each stands for, what each number means, and
    # how it is written back.
    module Forms
      # One number of a form. `whole` is what 100% stands for, `scale` what a plain
      # number is multiplied with to get the model's unit, `range` what a person may
      # type in that unit (nil: any number).
      Slot = Struct.new(:name, :whole, :scale, :range, :kind)

      HUE = Slot.new("hue", nil, 1, nil, :angle)
      share = ->(name) { Slot.new(name, 100, 1, 0..100, :number) }
      plain = ->(name, whole, range = nil) { Slot.new(name, whole, 1, range, :number) }

      Form = Struct.new(:model, :slots) do
        # @param text [String] what stands between the brackets
        # @raise [Magpie::Error]
        def read(text, lenient) = Color.new(model, *Arguments.new(slots, text, lenient).read)
      end

      # color(display-p3 1 0.5 0): the space is the first word.
      class Spaces
        NAMES = {
          "srgb" => :srgb, "srgb-linear" => :srgb_linear, "display-p3" => :display_p3, "a98-rgb" => :a98_rgb,
          "prophoto-rgb" => :prophoto_rgb, "rec2020" => :rec2020,
          "xyz" => :xyz_d65, "xyz-d65" => :xyz_d65, "xyz-d50" => :xyz_d50
        }.freeze

        def read(text, lenient)
          space, rest = text.split(/\s+/, 2)
          model = NAMES[space] or raise Error, "color() does not know the space “#{Notation.excerpt(space.to_s)}”: expected one of #{NAMES.keys.join(", ")}"
          slots = Color.model(model).channels.map { |channel| Slot.new(channel.name.downcase, 1, 1, nil, :number) }
          Form.new(model, slots).read(rest.to_s, lenient)
        end
      end

      RGB = Form.new(:srgb, %w[red green blue].map { |name| Slot.new(name, 1.0, 1 / 255.0, 0..1.0, :number) })
      HSL = Form.new(:hsl, [HUE, share.call("saturation"), share.call("lightness")])
      HSB = Form.new(:hsb, [HUE, share.call("saturation"), share.call("brightness")])
      INKS = %w[cyan magenta yellow black].freeze

      ALL = {
        "rgb" => RGB, "rgba" => RGB, "hsl" => HSL, "hsla" => HSL, "hsb" => HSB, "hsv" => HSB,
        "hwb" => Form.new(:hwb, [HUE, share.call("whiteness"), share.call("blackness")]),
        "lab" => Form.new(:lab, [share.call("lightness"), plain.call("a", 125), plain.call("b", 125)]),
        "lch" => Form.new(:lch, [share.call("lightness"), plain.call("chroma", 150, 0..), HUE]),
        "oklab" => Form.new(:oklab, [plain.call("lightness", 1, 0..1), plain.call("a", 0.4), plain.call("b", 0.4)]),
        "oklch" => Form.new(:oklch, [plain.call("lightness", 1, 0..1), plain.call("chroma", 0.4, 0..), HUE]),
        "cmyk" => Form.new(:cmyk, INKS.map(&share)),
        "device-cmyk" => Form.new(:cmyk, INKS.map { |ink| Slot.new(ink, 100, 100, 0..100, :number) }),
        "color" => Spaces.new
      }.freeze

      # Decimals that tell any two eight-bit colours apart.
      DECIMALS = {rgb: [0, 0, 0], hsb: [0, 0, 0], hsl: [0, 0, 0], lab: [1, 1, 1], lch: [1, 1, 1], oklab: [3, 3, 3], oklch: [3, 3, 1], cmyk: [0, 0, 0, 0]}.freeze

      # What CSS calls a model, where that is another name.
      CSS_NAMES = {cmyk: "device-cmyk"}.freeze

      module_function

      def find(name) = ALL[name]

      def names = ALL.keys.join(", ")

      def write(color, model)
        return color.hex if model == :hex
        opacity = " / #{short(color.alpha, 3)}" unless color.opaque?
        "#{CSS_NAMES.fetch(model, model)}(#{rounded(color, model).zip(units(model)).map { |number, unit| "#{number}#{unit unless unit == "°"}" }.join(" ")}#{opacity})"
      end

      def numbers(color, model)
        return color.hex if model == :hex
        return rounded(color, model).join(" ") if model == :cmyk # per cent goes without saying
        rounded(color, model).zip(units(model)).map(&:join).join(" ")
      end

      # Models that only say what a screen shows; colours are brought in for them.
      OF_THE_SCREEN = %i[rgb hsl hsb].freeze

      def rounded(color, model)
        color = Gamut.to_srgb(color) if OF_THE_SCREEN.include?(model)
        values = (model == :rgb) ? color.rgb255 : color.in(model)
        hue = units(model).index("°")
        values.zip(DECIMALS.fetch(model)).each_with_index.map do |(value, decimals), index|
          value %= 360 if index == hue && value.round(decimals) >= 360
          short(value, decimals)
        end
      end

      def units(model) = (model == :rgb) ? ["", "", ""] : Color.model(model).channels.map(&:unit)

      # 0.10 as "0.1", 3.0 as "3", -0.0 as "0".
      def short(value, decimals)
        text = format("%.#{decimals}f", value)
        text = text.sub(/\.?0+\z/, "") if text.include?(".")
        (text == "-0") ? "0" : text
      end
    end
  end
end
