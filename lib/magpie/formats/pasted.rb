module Magpie
  module Formats
    # Text that was pasted: colours in any mix of notations, one or several in a line, with
    # names before or behind them. The last resort for every text.
    class Pasted < Format
      declare key: "text", title: "Text", in_words: "text with colours in it", endings: [".txt"], media_type: "text/plain", rank: 95, largest: 2 * 1024 * 1024

      FUNCTION = /(?<![\w-])(?:#{Notation::Forms::ALL.keys.sort_by { |name| -name.size }.join("|")})\s*\([^()\n]{1,150}\)/i
      # "cmyk 0 66 61 4", "hsl: 91 24% 55%", "R 226 G 112 B 90", "Lab = 60.3 / 42.4 / 33.2"
      NUMBER = /[-+−]?\d+(?:[.,]\d+)?\s?[%°]?/
      TYPED = /(?<![\w-])(rgb|hsl|hsb|hsv|hwb|lab|lch|oklab|oklch|cmyk)\s*[:=]?\s*(#{NUMBER}(?:\s*[,;\/ \t]\s*#{NUMBER}){2,4})(?![\w.%])/i
      LETTERED = /(?<![\w-])r(?:ed)?\s*[:=]?\s*(\d{1,3})[,;\s]+g(?:reen)?\s*[:=]?\s*(\d{1,3})[,;\s]+b(?:lue)?\s*[:=]?\s*(\d{1,3})(?!\w)/i
      INKED = /(?<![\w-])c\s*[:=]?\s*(\d{1,3})\s*%?[,;\s]+m\s*[:=]?\s*(\d{1,3})\s*%?[,;\s]+y\s*[:=]?\s*(\d{1,3})\s*%?[,;\s]+k\s*[:=]?\s*(\d{1,3})\s*%?(?!\w)/i
      HASHED = /(?<![\w&])#(?:\h{8}|\h{6}|\h{3,4})(?!\w)/
      BARE = /(?<![\w#.])(?=\h*\d)(?=\h*[a-fA-F]|\d{6}(?!\d))\h{6}(?![\w.])/
      TRIPLE = /(?<![\w.,#-])\d{1,3}(?:\s*[,;]\s*|\s+)\d{1,3}(?:\s*[,;]\s*|\s+)\d{1,3}(?![\w.,%]|\s*[,;]?\s*\d)/
      ANY = Regexp.union(FUNCTION, TYPED, LETTERED, INKED, HASHED, BARE, TRIPLE)
      SEPARATORS = /\A[\s:;,=|\/·•–—>\]})"'-]+|[\s:;,=|\/·•–—\[{("'-]+\z/
      NAMED = /["']?name["']?\s*[:=]\s*["']([^"']{1,100})["']/i # {"name": "Ember", "hex": "
      KEY = /["'{,]\s*["']?([^"'{},:\[\]]{1,100})["']?\s*:\s*["'`]?\z/ # {"ember": "
      VALUE = /\A(hex|value|colou?r|css|rgb)\z/i
      APART = /\A([^;,|]*\p{L}[^;,|]*)[;,|](.*)\z/m # "Sunset; Moor: "
      LONGEST = 5_000 # characters of a line
      ENOUGH = 20_000 # characters that tell whether there are colours in it

      class << self
        # @param source [Source]
        def fits(source) = (source.text? && source.text[0, ENOUGH].each_line.any? { |line| line.match?(ANY) || words(line.chomp[0, LONGEST]).any? }) ? 5 : 0

        # @return [Result]
        def read(source)
          builder = Builder.new(source)
          source.text.each_line(chomp: true).with_index(1) do |line, number|
            builder.budget.spend(:lines)
            builder.note("line #{number}", "read to its #{Text.thousands(LONGEST)}th character") if line.size > LONGEST
            line(builder, line[0, LONGEST], number)
          end
          builder.result(words: "Text in #{source.encoding}")
        end

        # Colours of a line, each with its name.
        # @return [Array<[String, String]>] its name, and what is written of it
        def found(line)
          matches = line.to_enum(:scan, ANY).map { $~ }
          return words(line) if matches.empty?
          before = matches.each_with_index.map { |match, index| line[(index.zero? ? 0 : matches[index - 1].end(0))...match.begin(0)] }
          after = line[matches.last.end(0)..]
          titles(before, after).zip(matches.map { |match| match[0] })
        end

        private

        def line(builder, line, number)
          return if line.strip.empty?
          colours = found(line)
          builder.note("line #{number}", "no colour in it", line) if colours.empty?
          colours.each { |name, written| builder.trying("line #{number}", line) { builder.add(builder.source.stem, name:, colour: colour(written)) } }
        end

        # Names stand before their colours, or behind them where the line begins with one.
        # @param before [Array<String>] what stands before each
        # @param last [String] and behind the last
        def titles(before, last)
          names = before.map { |text| titled(text) }
          return [*names.drop(1), titled(last)] if names.first.empty? && !titled(last).empty?
          names.each_index { |index| names[index, 2] = behind(before[index + 1], names[index, 2]) if names[index].empty? && before[index + 1] }
        end

        # One that has nothing before it, and words behind it up to a separator.
        def behind(text, names) = text.match(APART)&.then { |match| [titled(match[1]), titled(match[2])] } || names

        def titled(text)
          named = text[NAMED, 1]
          return named if named
          key = text[KEY, 1]
          return key.match?(VALUE) ? "" : Text.name(key, longest: 100) if key
          worded(text)
        end

        def worded(text) = Text.name(text.gsub(SEPARATORS, "").gsub(SEPARATORS, ""), longest: 100).then { |name| name.match?(/\p{L}|\p{N}/) ? name : "" }

        # A line that is a colour's name, or several with commas between.
        def words(line)
          parts = line.split(/[,;\t]/).map(&:strip).reject(&:empty?)
          (parts.any? && parts.all? { |part| part.size < 40 && Notation.named(part.downcase) }) ? parts.map { |part| [part.sub(/\A./, &:upcase), part] } : []
        end

        def colour(text)
          case text
          when INKED then Notation.parse("cmyk #{$~.captures.join(" ")}", lenient: false)
          when LETTERED then Notation.parse("rgb #{$~.captures.join(" ")}")
          when /\A[#\d]/, FUNCTION then Notation.parse(text)
          when TYPED then typed(*$~.captures)
          else Notation.parse(text)
          end
        end

        # Commas stand in numbers where something else stands between them.
        def typed(model, numbers)
          numbers = numbers.tr("−", "-").gsub(/(?<=\d)\s(?=[%°])/, "")
          apart = numbers.split(%r{\s*[;/]\s*|\s+})
          numbers = (apart.size > 2 && apart.all? { |number| number.match?(/\A-?\d+(,\d+)?[%°]?\z/) }) ? apart.map { |number| number.tr(",", ".") }.join(" ") : numbers.gsub(%r{\s*[,;/]\s*}, " ")
          Notation.parse("#{model} #{numbers}")
        end
      end
    end
  end
end
