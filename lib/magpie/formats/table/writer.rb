module Magpie
  module Formats
    class Table < Format
      # Writes one palette, a row for each swatch.
      class Writer
        FORMULA = /\A'*[=+\-@]/
        DECIMALS = {srgb: 0, hsl: 1, hsb: 1, cmyk: INKS}.freeze

        # @param palette [Palette]
        # @param options [Hash] model and separator
        def initialize(palette, options)
          @palette = palette
          @separator = options.fetch("separator", "comma")
          @models = Table.models(options) - ["hex"]
          @opacity = palette.swatches.any? { |swatch| !swatch.colour.opaque? }
          @texts = {"Group" => nil, "Name" => :name, "Code" => :code, "Kind" => :kind, "Note" => :note, "Page" => :page, "Position" => :position}
          @texts.delete_if { |_, member| member && member != :name && palette.swatches.none?(&member) }
        end

        # @return [String] CSV, lines ended as RFC 4180 has it
        def text
          CSV.generate(col_sep: SEPARATORS.fetch(@separator), row_sep: "\r\n") do |csv|
            csv << [*@texts.keys, "Hex", *("Opacity" if @opacity), *@models.flat_map { |model| headings(model) }]
            @palette.groups.each { |group| group.swatches.each { |swatch| csv << row(group, swatch) } }
          end
        end

        private

        def headings(model) = columns(model).fields.map { |field| field.split("_").then { |prefix, channel| "#{Columns::MODELS.fetch(model_of(model)).name} #{channel.upcase}" } }

        def columns(model) = Columns::MODELS.fetch(model_of(model))

        def model_of(model) = {"rgb" => :srgb, "xyz" => :xyz_d50}.fetch(model, model.to_sym)

        def row(group, swatch)
          texts = @texts.values.map { |member| guarded(member ? swatch[member] : group.name) }
          [*texts, swatch.colour.with(alpha: 1).hex, *(number(swatch.colour.alpha, 6) if @opacity), *@models.flat_map { |model| numbers(swatch, model) }]
        end

        def guarded(text) = text&.match?(FORMULA) ? "'#{text}" : text

        def numbers(swatch, model)
          return Rounded.inks(swatch, INKS).map { |ink| number(ink, INKS) } if model == "cmyk"
          return exact(swatch.colour, model) if EXACT.key?(model)
          screen = Gamut.to_srgb(swatch.colour)
          values = (model == "rgb") ? screen.rgb255 : screen.in(model.to_sym)
          values.map { |value| number(value, DECIMALS.fetch(model_of(model))) }
        end

        def exact(colour, model)
          scale = (model == "xyz") ? 100 : 1
          Table.exact(colour, model).last.map { |value| number(value * scale, EXACT.fetch(model).last) }
        end

        def number(value, decimals) = Numbers.write(value, decimals, comma: @separator == "semicolon")
      end
    end
  end
end
