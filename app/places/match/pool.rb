module Places
  module Match
    # What is matched against: the libraries of the house and the project's palettes that are
    # ticked. Libraries are, palettes are not, unless somebody chose otherwise.
    class Pool
      # @param desk [Frame::Desk]
      def initialize(desk) = @desk = desk

      # @return [Array<Frame::LibraryStrip>]
      def libraries = @libraries ||= Frame::LibraryStrip.all(@desk.actor)

      def palettes = @desk.palettes

      # @param thing [Frame::LibraryStrip, Palette]
      def ticked?(thing) = toggled.include?(key(thing)) ^ !thing.is_a?(::Palette)

      def key(thing) = "#{thing.is_a?(::Palette) ? "p" : "l"}#{thing.id}"

      # As it is chosen, from what is ticked now.
      # @param ticks [Array<String>]
      # @return [String]
      def chosen(ticks) = [*libraries, *palettes].reject { |thing| ticks.include?(key(thing)) ^ thing.is_a?(::Palette) }.map { |thing| key(thing) }.join(",")

      def ticked_libraries = @ticked_libraries ||= libraries.select { |library| ticked?(library) }

      def ticked_palettes = @ticked_palettes ||= palettes.select { |palette| ticked?(palette) }

      # @return [Integer] entries and swatches
      def size = ticked_libraries.sum(&:size) + chips.size

      # "372 entries in three libraries"
      def in_words
        parts = []
        parts << "#{Magpie::Text.thousands(ticked_libraries.sum(&:size))} entries in #{counted(ticked_libraries.size, "library", "libraries")}" if ticked_libraries.any?
        parts << "#{Magpie::Text.count(chips.size, "swatch")} in #{counted(ticked_palettes.size, "palette", "palettes")}" if ticked_palettes.any?
        Magpie::Text.list(parts)
      end

      # @param colour [Magpie::Color]
      # @param most [Integer]
      # @param without [Integer, nil] a swatch that is not compared with itself
      # @return [Array<Near>] nearest first
      def nearest(colour, most, without: nil) = many([colour], most, without: [without]).first

      # The same for several colours, whose entries are fetched at once.
      # @param colours [Array<Magpie::Color>]
      # @param without [Array<Integer, nil>] a swatch for each
      # @return [Array<Array<Near>>]
      def many(colours, most, without: [])
        found = colours.zip(without).map { |colour, swatch| ranked(colour, most, swatch) }
        entries = Entry.where(id: found.flatten(1).filter_map { |thing, _| thing if thing.is_a?(Integer) }.uniq).index_by(&:id)
        found.map { |some| some.filter_map { |thing, difference| thing.is_a?(Integer) ? near(entries[thing], difference) : Near.of_chip(thing, palette_of[thing.group_id], difference) } }
      end

      # @param key [String] of a Near
      # @return [Near, nil] without a difference
      def find(key)
        id = Frame::Asked.id(key.to_s[1..].to_s)
        case key.to_s[0]
        when "e" then near(@desk.actor.entries.find_by(id:))
        when "s" then @desk.used_chips.find { |chip| chip.id == id && !chip.paint_json }&.then { |chip| Near.of_chip(chip, palette_of[chip.group_id]) }
        end
      end

      # The same for many.
      # @param keys [Array<String>]
      # @return [Hash{String => Near}]
      def these(keys)
        entries = @desk.actor.entries.where(id: keys.grep(/\Ae/).map { |key| Frame::Asked.id(key[1..]) }).map { |entry| near(entry) }
        (entries + keys.grep(/\As/).uniq.filter_map { |key| find(key) }).to_h { |near| [near.key, near] }
      end

      # Those that are called as somebody typed.
      # @return [Array<Near>]
      def called(text)
        ids = SoughtEntries.new(ticked_libraries, text).ids
        entries = Entry.where(id: ids).index_by(&:id)
        chips.select { |chip| [chip.name, chip.code.to_s].any? { |each| each.downcase.include?(text.downcase.strip) } }.map { |chip| Near.of_chip(chip, palette_of[chip.group_id]) } + entries.values_at(*ids).compact.map { |entry| near(entry) }
      end

      def near(entry, difference = nil) = entry && Near.of_entry(entry, names[entry.library_id], difference)

      private

      def toggled = @toggled ||= @desk.choices[:matching].split(",").to_set

      def chips = @chips ||= ticked_palettes.flat_map { |palette| @desk.chips_in(palette) }.reject(&:paint_json)

      def names = @names ||= libraries.to_h { |library| [library.id, library.name] }

      def palette_of = @palette_of ||= palettes.flat_map { |palette| palette.groups.map { |group| [group.id, palette.name] } }.to_h

      def indexes = @indexes ||= [*LibraryIndex.all(ticked_libraries.map(&:__getobj__), ticked_libraries.map(&:size)), *([Magpie::Library::Nearest.of(chips)] if chips.any?)]

      # Of each library and palette so many, the nearest of all first.
      def ranked(colour, most, without) = indexes.flat_map { |index| index.to(colour, most: most + 1) }.reject { |thing, _| thing.is_a?(Chip) && thing.id == without }.sort_by.with_index { |(_, difference), number| [difference, number] }.first(most)

      NUMBERS = %w[no one two three four five six seven eight nine ten].freeze

      def counted(number, one, many) = "#{NUMBERS.fetch(number) { number }} #{(number == 1) ? one : many}"
    end
  end
end
