module Magpie
  module Formats
    class Cxf < Format
      # Reads one file. Places in notes are lines.
      class Reader
        # Our model, what one of theirs is of its unit, and the ranges of its numbers.
        COLOURS = {
          "ColorCIELab" => [:lab, 1.0, [0..100, -200..200, -200..200]], "ColorCIEXYZ" => [:xyz_d50, 0.01, [0..200] * 3],
          "ColorCIELCh" => [:lch, 1.0, [0..100, 0..1000, -360..360]], "ColorSRGB" => [:srgb, 1 / 255.0, [0..255] * 3], "ColorRGB" => [:srgb, 1 / 255.0, [0..255] * 3]
        }.freeze
        MEASURED = %w[ColorCIELab ColorCIEXYZ ColorCIELCh].freeze
        NO_COLOURS = /substrate|instrument/i

        # @param source [Source]
        def initialize(source, budget = Limits.palette)
          @source = source
          @builder = Builder.new(source, budget)
          @found = Objects.new(budget)
        end

        # @return [Result]
        # @raise [Magpie::Error]
        def result
          parse(@source.text)
          @ids, @tints, @elsewhere = {}, [], Hash.new(0)
          @found.objects.each { |object| @builder.trying("line #{object.line}", object.name) { object(object) } }
          tie
          @found.problems.each { |line, words| @builder.note("line #{line}", words) }
          @elsewhere.each { |how, times| @builder.note(nil, "#{Text.count(times, "colour")} measured under #{how}, taken as it is: expected D50, 2°") }
          about = @found.about
          @builder.result(words: "Colour exchange XML in #{@source.encoding}", name: about["Description"], condition: about["Condition"], licence: about["Licence"])
        end

        private

        # A document type could have entities; no such file has one.
        def parse(text)
          raise Error, "it has a document type, which is never read" if text.match?(/<!(DOCTYPE|ENTITY)/i)
          text = Text.without_comments(text) if (line = Text.broken_comment(text))
          @builder.note("line #{line}", "a comment holds --, so comments are passed over") if line
          Nokogiri::XML::SAX::Parser.new(@found, "UTF-8").parse_memory(text.sub(/\A\s*<\?xml[^>]*\?>/, "")) do |context|
            context.recovery = true
            context.replace_entities = true # those of XML itself; there are no others
            @found.context = context
          end
        end

        def object(object)
          return if object.type.to_s.match?(NO_COLOURS)
          spectrum = spectrum(object)
          colour = colour(object, spectrum)
          inks = inks(object)
          colour ||= Color.new(:cmyk, inks) if inks
          return @builder.note("line #{object.line}", "no colour that I know, left out", object.name) unless colour
          put(object, colour, spectrum, (inks unless colour.model == :cmyk))
        end

        def put(object, colour, spectrum, inks)
          tags = TAGS.to_h { |tag, member| [member, object.tags[tag]] }
          swatch = @builder.add(tags[:group] || @found.about["Description"] || @source.stem, name: object.name.to_s, colour:, spectrum:, inks:, note: object.comment, code: tags[:code], library: tags[:library],
            kind: (tags[:kind].to_s.casecmp?("spot") ? "spot" : nil), page: presence(tags[:page]), position: presence(tags[:position]), shared: tags[:shared] == "true")
          @ids[object.id] ||= swatch if object.id
          @tints << [swatch, Numbers.read(tags[:tint]), tags[:tint_of]] if tags[:tint_of]
        end

        def presence(text) = text && Text.name(text, longest: 40).then { |cleaned| cleaned unless cleaned.empty? }

        # Lab as it was measured for D50 and 2°; else what the spectrum comes to; else what there is.
        def colour(object, spectrum)
          name = MEASURED.find { |each| object.values[each] && usual?(object.values[each]["spec"]) }
          return numbers(object, name) if name
          return spectrum.color if spectrum
          name = COLOURS.keys.find { |each| object.values[each] } or return
          @elsewhere[said(object.values[name]["spec"])] += 1 if MEASURED.include?(name)
          numbers(object, name)
        end

        # What nobody says anything about is as the standard has it.
        def usual?(id)
          specification = @found.specifications[id] or return true
          (specification.illuminant.nil? || specification.illuminant.match?(/\AD50\z/i)) && (specification.observer.nil? || specification.observer.start_with?("2"))
        end

        def said(id) = @found.specifications[id].then { |each| "#{each.illuminant.to_s[0, 20]}, #{each.observer.to_s[0, 20].sub("_Degree", "°")}" }

        def numbers(object, name)
          model, scale, ranges = COLOURS.fetch(name)
          values = Objects::MODELS.fetch(name).zip(ranges).map { |channel, range| number(object.values[name][channel], channel, range) * scale }
          values[2] %= 360 if model == :lch
          Color.new(model, values)
        end

        def number(text, channel, range)
          value = Numbers.read(text) or raise Error, "#{channel} is “#{text.to_s[0, 20]}”: expected a number"
          raise Error, "#{channel} is #{text[0, 20]}: expected #{range.begin} to #{range.end}" unless range.cover?(value)
          value
        end

        def inks(object)
          values = object.values["ColorCMYK"] or return
          Objects::MODELS.fetch("ColorCMYK").map { |ink| number(values[ink], ink.downcase, 0..100) }
        end

        def spectrum(object)
          text, start, id = object.spectrum
          return unless text
          specification = @found.specifications[id]
          start = Numbers.read(start || specification&.start || "380")
          step = Numbers.read(specification&.step || "10")
          values = text.split.map { |value| Numbers.read(value) || raise(Error, "a value of the spectrum is “#{value[0, 20]}”: expected a number") }
          Spectrum.checked(start || 380, step || 10, values)
        end

        def tie
          addresses = {}.compare_by_identity
          @builder.groups.values.each_with_index { |group, g| group.swatches.each_with_index { |swatch, s| addresses[swatch] = [g, s] } }
          @tints.each { |swatch, percent, id| swatch.tint = Palette::Tint.new(percent, addresses[@ids[id]]) if percent&.between?(0, 100) && @ids[id] }
        end
      end
    end
  end
end
