module Magpie
  module Formats
    # A plain colour table: red, green and blue from 0 to 255 and a name in each line, or a
    # hex colour in each; lines that begin with # or ! are remarks. The shape of X11's rgb.txt.
    class Plain < Format
      declare key: "plain", title: "Plain table", in_words: "a plain colour table", endings: [".txt"], media_type: "text/plain", rank: 75, brief: "names and 8 bits only", carries: %i[names],
        options: [Option.new("model", "Colours", {"rgb" => "red, green and blue", "hex" => "hex"}, "rgb")]

      NAME = /(?:(?:(?> *\t[ \t]*)|(?>[ \t]*[,;:][ \t]*)|(?> +))(\S.*))?\s*\z/
      NUMBERS = /\A\s*(\d{1,3})[ \t,]+(\d{1,3})[ \t,]+(\d{1,3})#{NAME}/
      HEX = /\A\s*(#\h{8}|#\h{6}|\h{6}|#\h{3})#{NAME}/
      # Three digits can be a word: "#add the rest".
      REMARK = /\A\s*(#(?!\h{6}(\h{2})?(\s|[,;:]|\z)|\h{3}\s*\z)|!|\/\/)/

      class << self
        # @param source [Source]
        def fits(source)
          return 0 unless source.text?
          lines = source.first_lines.reject { |line| line.strip.empty? || line.match?(REMARK) }
          return (source.head.match?(/\A#.*colours? table/) ? 10 : 0) if lines.empty?
          share = lines.count { |line| line.match?(NUMBERS) || line.match?(HEX) } / lines.size.to_f
          if share >= 0.8
            70
          else
            ((share >= 0.5) ? 30 : 0)
          end
        end

        # @return [Result]
        def read(source)
          builder = Builder.new(source)
          source.text.each_line(chomp: true).with_index(1) { |line, number| line(builder, line, number) unless line.strip.empty? || line.match?(REMARK) }
          builder.result(words: "A plain colour table in #{source.encoding}")
        end

        # @return [String]
        def write(palette, options = {})
          head = "# #{palette.name}, colour table: #{(options["model"] == "hex") ? "hex" : "red green blue"}, name\n"
          hexes = Screen.hexes(palette.swatches.map(&:colour))
          head + palette.swatches.zip(hexes).map { |swatch, hex| "#{written(hex, options)}\t#{swatch.name}".rstrip + "\n" }.join
        end

        def colour(colour, _options) = Notation.hex(colour.hex)

        private

        def line(builder, line, number)
          builder.budget.spend(:lines)
          builder.trying("line #{number}", line) do
            colour, name = colour_of(line)
            builder.add(builder.source.stem, name: name.to_s, colour:)
          end
        end

        def colour_of(line)
          return [Notation.hex($1.downcase), $2] if line =~ HEX
          match = NUMBERS.match(line) or raise Error, "expected red, green and blue from 0 to 255, or a hex colour"
          numbers = match.captures.first(3).map(&:to_i)
          %w[red green blue].zip(numbers) { |channel, value| raise Error, "#{channel} is #{value}: expected 0 to 255" if value > 255 }
          [Color.srgb8(*numbers), match[4]]
        end

        def written(hex, options) = (options["model"] == "hex") ? hex : hex.scan(/\h\h/).map { |pair| pair.hex.to_s.rjust(3) }.join(" ")
      end
    end
  end
end
