module Magpie
  module Formats
    class Cgats < Format
      # Reads all tables of one file. Places in notes are lines.
      class Reader
        FIELDS = {"SAMPLE_NAME" => "name", "SAMPLE_ID" => "code", "SAMPLEID" => "code", "SAMPLE_LOC" => "position", "COLOR_NAME" => "name", "NAME" => "name"}.freeze

        # @param source [Source]
        def initialize(source, budget = Limits.palette)
          @builder = Builder.new(source, budget)
          @blocks = Blocks.new(source.text, budget)
          @source = source
          @told = {} # in what numbers are: the first table's holds for all
        end

        # @return [Result]
        def result
          tables = @blocks.tables
          names = tables.map { |table| presence(table.keywords["DESCRIPTOR"]) || presence(table.keywords["FILE_DESCRIPTOR"]) }
          tables.each_with_index { |table, index| table(table, @builder.begin_group(index, name: names[index] || ((tables.size > 1) ? "Table #{index + 1}" : @source.stem))) if table.sets.any? }
          @blocks.problems.each { |line, words| @builder.note("line #{line}", words) }
          said = ["#{Text.count(tables.size, "CGATS table")} in #{@source.encoding}", *@units].join("; ")
          @builder.result(words: (tables.size == 1) ? said.sub(/\A1/, "A") : said, name: names.compact.first)
        end

        private

        def table(table, group)
          columns = columns(table.fields)
          spectral = spectral(table.fields)
          return @builder.note(nil, "#{group.name}: none of its fields is a colour: #{table.fields.first(12).join(", ")}") unless columns.colour? || spectral
          rows = Formats::Table::Rows.new(columns, table.sets.map(&:last), @told)
          @told = rows.told.merge(@told)
          @units = [*@units, *rows.units].uniq
          note_fields(group, columns, spectral&.last || [])
          percent = spectral && percent?(table, spectral)
          said = said(columns, table.sets)
          table.sets.each { |line, cells| @builder.trying("line #{line}", cells.first(8).join(" ")) { set(group, columns, rows, cells, spectral, percent, said) } }
        end

        # Fields that nobody knows.
        def note_fields(group, columns, spectral)
          left = columns.headings.each_with_index.reject { |_, index| columns.roles.key?(index) || spectral.include?(index) }.map(&:first)
          return if left.empty?
          @builder.note(nil, "#{group.name}: #{Text.count(left.size, "field")} left out: #{left.first(12).join(", ")}#{" …" if left.size > 12}")
        end

        # Which field is what. What numbers the sets is no code.
        # @return [Hash{Symbol => Integer}]
        def said(columns, sets)
          name, code = columns["name"], columns["code"]
          return {name: code || 0, position: columns["position"]}.compact unless name
          numbered = code && sets.each_with_index.all? { |(_, cells), index| cells[code].to_s == (index + 1).to_s }
          {name:, code: (code unless numbered), position: columns["position"]}.compact
        end

        def set(group, columns, rows, cells, spectral, percent, said)
          spectrum = spectrum(cells, spectral, percent) if spectral
          colour = (rows.colour(cells) if columns.colour?) || spectrum&.color
          return if colour.nil? && spectrum.nil?
          inks = rows.inks(cells) unless colour.model == :cmyk
          @builder.add(group, colour:, spectrum:, inks:, **said.transform_values { |index| cells[index].to_s })
        end

        # The fields of the standard, by the words that tables have.
        def columns(fields)
          roles = fields.each_with_index.filter_map { |field, index| [index, role(field.upcase)] }.select { |_, role| role }
          Columns.new(fields, roles.reverse.to_h { |index, role| [role, index] }.invert)
        end

        def role(field)
          return FIELDS[field] if FIELDS[field]
          model, channel = field.match(/\A(LAB|LCH|XYZ|RGB|CMYK)_([A-Z])\z/)&.captures
          "#{model.downcase}_#{channel.downcase}" if model && Columns.roles.key?("#{model.downcase}_#{channel.downcase}")
        end

        # @return [[Float, Float, Array<Integer>], nil] first wavelength, step, columns
        def spectral(fields)
          waves = fields.each_with_index.filter_map { |field, index| [field[SPECTRAL, 1].to_i, index] if field.match?(SPECTRAL) }.sort
          return if waves.size < 4
          steps = waves.each_cons(2).map { |one, two| two[0] - one[0] }.uniq
          return @builder.note(nil, "its spectra go by steps of #{steps.first(4).join(", ")} nm: expected even ones; left out") if steps.size > 1
          [waves[0][0], steps[0], waves.map(&:last)]
        end

        def percent?(table, (_, _, indexes)) = table.sets.first(200).any? { |_, cells| indexes.any? { |index| (Numbers.read(cells[index]) || 0) > 2.5 } }

        def spectrum(cells, (start, step, indexes), percent)
          values = indexes.map { |index| Numbers.read(cells[index]) || raise(Error, "a value of the spectrum is “#{cells[index].to_s[0, 20]}”: expected a number") }
          Spectrum.checked(start, step, percent ? values.map { |value| value / 100 } : values)
        end

        def presence(text) = (text.to_s.strip.empty? ? nil : text)
      end
    end
  end
end
