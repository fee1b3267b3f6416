require "csv"

module Magpie
  module Formats
    # Tables of text: CSV (RFC 4180) and its relatives with semicolons or tabs. Columns are
    # told by heading, in any order, or by hand.
    class Table < Format
      MODELS = {"rgb" => "RGB", "hsl" => "HSL", "hsb" => "HSB", "lab" => "Lab", "lch" => "LCh", "oklab" => "OKLab", "oklch" => "OKLCH", "xyz" => "XYZ", "cmyk" => "CMYK", "hex" => "Hex"}.freeze
      SEPARATORS = {"comma" => ",", "semicolon" => ";", "tab" => "\t"}.freeze
      # Models whose numbers say the colour itself, with so many decimals.
      EXACT = {"lab" => [:lab, 4], "lch" => [:lch, 4], "xyz" => [:xyz_d50, 4], "oklch" => [:oklch, 6], "oklab" => [:oklab, 6]}.freeze
      INKS = 2 # decimals of per cent
      FORMULA = /\A'*[=+\-@]/

      declare key: "table", title: "Table", in_words: "a table of comma-separated values", endings: [".csv", ".tsv"], media_type: "text/csv", rank: 60, brief: "no gradients",
        options: [Option.new("model", "Models", MODELS, "rgb,lab", true), Option.new("separator", "Between columns", {"comma" => "commas", "semicolon" => "semicolons, and decimal commas", "tab" => "tabs"}, "comma")]

      %w[Sheet Rows Reader Writer].each { |name| autoload name.to_sym, "magpie/formats/table/#{name.downcase}" }

      class << self
        # @param source [Source]
        def fits(source)
          return 0 unless source.text? && !source.head.match?(/\A\s*[{<]|\ABEGIN_DATA|^(BEGIN_DATA_FORMAT|NUMBER_OF_FIELDS)\b/)
          sheet = Sheet.new(source.first_lines(40).join("\n"))
          return 85 if sheet.told
          return 0 unless sheet.rows.size > 1 && sheet.width > 1
          if sheet.guessed
            55
          else
            ((sheet.width > 2 && sheet.even?) ? 15 : 0)
          end
        rescue Error # no table that could be read, such as a style sheet in one line
          0
        end

        # @param columns [Hash{Integer => String}, nil] roles by hand
        # @return [Result]
        def read(source, columns: nil) = Reader.new(source, columns).result

        def write(palette, options = {}) = Writer.new(palette, options).text

        def carries(options = {})
          %i[names groups codes libraries spots notes opacity pages positions] + (options["model"].to_s.split(",").include?("cmyk") ? [:inks] : [])
        end

        def ending_for(options) = (options["separator"] == "tab") ? ".tsv" : ".csv"

        def options_of(path) = path.b.downcase.end_with?(".tsv") ? {"separator" => "tab"} : {}

        # @return [Array<String>]
        def models(options) = options.fetch("model", "rgb,lab").split(",")

        def colour(colour, options)
          chosen = EXACT.keys.find { |model| models(options).include?(model) }
          return Color.new(*exact(colour, chosen), colour.alpha.round(6)) if chosen
          Notation.hex(colour.with(alpha: 1).hex).with(alpha: colour.alpha.round(6))
        end

        # What a spreadsheet would take for a formula is text.
        # @param text [String, nil]
        def guarded(text) = text&.match?(FORMULA) ? "'#{text}" : text

        # In the order of Columns::ORDER, which readers go by.
        # @return [[Symbol, Array<Float>]] the model, and numbers as they are written
        def exact(colour, chosen)
          model, decimals = EXACT.fetch(chosen)
          return [model, Rounded.lab(colour, decimals)] if model == :lab
          return [model, Rounded.xyz(colour, decimals).map { |value| value / 100 }] if model == :xyz_d50
          colour = colour.with(alpha: 1).then { |each| each.in(model)[0].between?(0, Color.model(model).channels[0].range.end) ? each : Color.new(:lab, Rounded.lab(each)) }
          [model, colour.in(model).map { |value| value.round(decimals) }]
        end

        # They are written for every colour, as the press makes them where nobody says.
        def inks(swatch, _chosen) = Rounded.inks(swatch, INKS)
      end
    end
  end
end
