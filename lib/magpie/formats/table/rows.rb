module Magpie
  module Formats
    class Table < Format
      # Colours of the rows of a table. In what its numbers are is told by heading, or by
      # all that stands in a column. CGATS reads its rows by this, too.
      class Rows
        # A model's columns in this table.
        # @!attribute unit [String] a key of the model's scales
        Numbers = Struct.new(:model, :form, :indexes, :unit, :scale)

        SLACK = 0.0005 # of a range: what rounding does to numbers at its ends
        RANGES = {
          srgb: [0..1] * 3, hsl: [nil, 0..100, 0..100], hsb: [nil, 0..100, 0..100], lab: [0..100, -200..200, -200..200], lch: [0..100, 0..1000, nil],
          oklab: [0..1, -2..2, -2..2], oklch: [0..1, 0..2, nil], xyz_d50: [0..2] * 3, cmyk: [0..100] * 4
        }.freeze

        # @param columns [Columns]
        # @param rows [Array<Array<String>>] cells
        # @param known [Hash{Symbol => String}] units that are known from elsewhere
        def initialize(columns, rows, known = {})
          @columns, @rows = columns, rows
          @numbers = (Columns::ORDER + [:cmyk]).select { |model| columns.models.include?(model) }.map { |model| numbers(model, known[model]) }
          @alpha = opacity_scale if columns["alpha"]
        end

        # In what the numbers of each model are told to be.
        # @return [Hash{Symbol => String}]
        def told = @numbers.to_h { |numbers| [numbers.model, numbers.unit] }

        # "RGB as 0 to 255"
        # @return [Array<String>]
        def units = @numbers.reject { |numbers| numbers.form.scales.size == 1 }.map { |numbers| "#{numbers.form.name} as #{numbers.unit}" }

        # @param cells [Array<String>]
        # @return [Color, nil] nil where nothing stands in any of its columns
        # @raise [Magpie::Error]
        def colour(cells)
          found = numbered(cells) || inked(cells)
          (found && @columns["alpha"]) ? found.with(alpha: opacity(cells) * found.alpha) : found
        end

        # Press values beside a colour.
        # @return [Array<Float>, nil]
        def inks(cells)
          numbers = @numbers.find { |each| each.model == :cmyk } or return
          values(numbers, cells) if filled?(numbers, cells)
        end

        private

        # Measured numbers before hex, which is rounded; hex before those that are rounded more.
        def numbered(cells)
          numbers = @numbers.find { |each| each.model != :cmyk && filled?(each, cells) }
          hex = text(cells, "hex")
          return Color.new(numbers.model, values(numbers, cells)) if numbers && !(hex && rounded?(numbers, cells))
          hex ? hex(hex) : text(cells, "colour")&.then { |cell| Notation.parse(Columns.notation(cell, @columns.units[@columns["colour"]]), lenient: true) }
        end

        def inked(cells) = inks(cells)&.then { |values| Color.new(:cmyk, values) }

        # Eight bits say no more than hex does, which may have an opacity; hues and shares say less.
        def rounded?(numbers, cells) = %i[hsl hsb].include?(numbers.model) || numbers.model == :srgb && numbers.unit == "0 to 255" && numbers.indexes.none? { |index| cells[index].to_s.match?(/[.,]/) }

        def text(cells, role)
          index = @columns[role] or return
          text = cells[index].to_s.strip
          text unless text.empty?
        end

        def hex(text)
          digits = text.delete_prefix("0x").delete_prefix("0X").downcase
          digits = digits.rjust(6, "0") if digits.match?(/\A\d{4,5}\z/) # a spreadsheet took it for a number
          Notation.hex(digits) || raise(Error, "“#{Notation.excerpt(text)}” is not a hex colour: expected 3, 4, 6 or 8 digits of 0–9 and A–F")
        end

        def filled?(numbers, cells) = numbers.indexes.any? { |index| !cells[index].to_s.strip.empty? }

        def values(numbers, cells)
          ranges = RANGES.fetch(numbers.model)
          numbers.indexes.each_with_index.map do |index, at|
            name = numbers.form.names[at]
            given = Formats::Numbers.read(cells[index]) or raise Error, "#{name} is “#{cells[index].to_s[0, 20]}”: expected a number"
            within(given * factor(numbers, cells[index], at), ranges[at], name, cells[index], numbers, at)
          end
        end

        # A cell that says per cent is so, whatever the others are.
        def factor(numbers, cell, at)
          return numbers.scale[at] unless Formats::Numbers.percent?(cell)
          (numbers.form.scales["per cent"] || numbers.scale)[at]
        end

        def within(value, range, name, cell, numbers, at)
          return value % 360 if range.nil?
          slack = (range.end - range.begin) * SLACK
          return value.clamp(range.begin, range.end).to_f if value.between?(range.begin - slack, range.end + slack)
          raise Error, "#{name} is #{cell.to_s[0, 20]}: expected #{Notation::Forms.short(range.begin / numbers.scale[at], 2)} to #{Notation::Forms.short(range.end / numbers.scale[at], 2)}"
        end

        # @return [Numbers]
        def numbers(model, known)
          indexes = Columns::MODELS.fetch(model).fields.map { |field| @columns[field] }
          model = OK[model] if OK.key?(model) && @columns.lettered.include?(model) && small?(indexes.first(2))
          form = Columns::MODELS.fetch(model)
          said = indexes.filter_map { |index| @columns.units[index] }.first
          unit = known || (form.scales.key?(said) ? said : unit(model, form, indexes))
          Numbers.new(model, form, indexes, unit, form.scales.fetch(unit))
        end

        # Models that are written with the same letters, in small numbers.
        OK = {lab: :oklab, lch: :oklch}.freeze

        # Lightness to 1 and chroma, or a, to 0.5; and not all of them nothing.
        def small?(indexes)
          lightness, chroma = indexes.map { |index| @rows.filter_map { |row| Formats::Numbers.read(row[index]) unless Formats::Numbers.percent?(row[index]) } }
          lightness.any? && lightness.max.between?(0.0001, 1) && chroma.all? { |value| value.abs <= 0.5 }
        end

        # By the whole of the columns. Hues say nothing, so only the others count.
        def unit(model, form, indexes)
          return form.scales.keys.first if form.scales.size == 1
          counted = RANGES.fetch(model).each_index.reject { |at| RANGES[model][at].nil? }
          counted = counted.first(1) if %i[oklab oklch].include?(model)
          cells = @rows.flat_map { |row| counted.map { |at| row[indexes[at]].to_s } }.reject { |cell| cell.strip.empty? }
          return "per cent" if form.scales.key?("per cent") && cells.any? && cells.count { |cell| Formats::Numbers.percent?(cell) } * 2 > cells.size
          by_size(model, cells.filter_map { |cell| Formats::Numbers.read(cell) unless Formats::Numbers.percent?(cell) })
        end

        def by_size(model, values)
          most = values.max || 0
          case model
          when :srgb
            return "0 to 1" if most <= 1
            (most <= 100 && values.any? { |value| value % 1 != 0 }) ? "per cent" : "0 to 255"
          when :cmyk
            return "0 to 1" if most <= 1 && values.any? { |value| value.between?(0.0001, 0.9999) }
            (most > 100 && most <= 255 && values.count { |value| value > 100 } * 20 > values.size) ? "0 to 255" : "per cent"
          when :xyz_d50 then (most <= 2) ? "0 to 1" : "0 to 100"
          when :oklab, :oklch then (most > 1) ? "per cent" : "0 to 1"
          else (most <= 1 && values.any? { |value| value.between?(0.0001, 0.9999) }) ? "0 to 1" : "per cent"
          end
        end

        def opacity_scale
          cells = @rows.map { |row| row[@columns["alpha"]].to_s }.reject { |cell| Formats::Numbers.percent?(cell) }
          values = cells.filter_map { |cell| Formats::Numbers.read(cell) }
          most = values.max || 1
          if most <= 1
            1.0
          else
            ((most <= 100) ? 0.01 : 1 / 255.0)
          end
        end

        def opacity(cells)
          cell = cells[@columns["alpha"]].to_s
          return 1.0 if cell.strip.empty?
          number = Formats::Numbers.read(cell) or raise Error, "opacity is “#{cell[0, 20]}”: expected a number"
          value = number * (Formats::Numbers.percent?(cell) ? 0.01 : @alpha)
          value.between?(0, 1) ? value : raise(Error, "opacity is #{cell[0, 20]}: expected 0 to #{Notation::Forms.short(1 / @alpha, 0)}")
        end
      end
    end
  end
end
