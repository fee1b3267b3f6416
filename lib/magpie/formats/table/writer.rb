module Magpie
  module Formats
    class Table < Format
      # Writes one palette, a row for each swatch.
      class Writer
        DECIMALS = {srgb: 0, hsl: 1, hsb: 1, cmyk: INKS}.freeze

        # @param palette [Palette]
        # @param options [Hash] model and separator
        def initialize(palette, options)
          @palette = palette
          @separator = options.fetch("separator", "comma")
          @models = Table.models(options) - ["hex"]
          @opacity = palette.swatches.any? { |swatch| !swatch.colour.opaque? }
          @texts = {"Group" => nil, "Name" => :name, "Code" => :code, "Library" => :library, "Kind" => :kind, "Note" => :note, "Page" => :page, "Position" => :position}
          @texts.delete_if { |_, member| member && member != :name && palette.swatches.none?(&member) }
        end

        # @return [String] CSV, lines ended as RFC 4180 has it
        def text
          CSV.generate(col_sep: SEPARATORS.fetch(@separator), row_sep: "\r\n") do |csv|
            csv << [*@texts.keys, "Hex", *("Opacity" if @opacity), *@models.flat_map { |model| headings(model) }]
            screens = Screen.srgb(@palette.swatches.map(&:colour)).each
            @palette.groups.each { |group| group.swatches.each { |swatch| csv << row(group, swatch, screens.next) } }
          end
        end

        private

        def headings(model) = columns(model).fields.map { |field| field.split("_").then { |prefix, channel| "#{Columns::MODELS.fetch(model_of(model)).name} #{channel.upcase}" } }

        def columns(model) = Columns::MODELS.fetch(model_of(model))

        def model_of(model) = {"rgb" => :srgb, "xyz" => :xyz_d50}.fetch(model, model.to_sym)

        # @param screen [Array<Float>] red, green and blue as a screen shows them
        def row(group, swatch, screen)
          texts = @texts.values.map { |member| Table.guarded(member ? swatch[member] : group.name) }
          [*texts, format("#%02X%02X%02X", *screen.map { |value| (value * 255).round }), *(number(swatch.colour.alpha, 6) if @opacity), *@models.flat_map { |model| numbers(swatch, screen, model) }]
        end

        def numbers(swatch, screen, model)
          return Rounded.inks(swatch, INKS).map { |ink| number(ink, INKS) } if model == "cmyk"
          return exact(swatch.colour, model) if EXACT.key?(model)
          values = (model == "rgb") ? screen.map { |value| value * 255 } : Color.new(:srgb, screen).in(model.to_sym)
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
