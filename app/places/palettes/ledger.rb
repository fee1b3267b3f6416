module Places
  module Palettes
    # A palette as a table: a line for each swatch, with the notations that were chosen.
    class Ledger
      # @!attribute numbers [Array<String>] one for each notation
      Line = Struct.new(:numbers, :swatch, :places, :group, :from, keyword_init: true)

      # @param palette [ShownPalette]
      # @param page [Page]
      def initialize(palette, page)
        @palette, @page, @chips = palette, page, palette.chips
      end

      # @return [Array<Symbol>]
      def models = @page.choices[:ledger].split(",").map(&:to_sym)

      # @return [Array<Line>] in the order that was chosen
      def lines
        groups = @palette.groups.to_h { |group| [group.id, group.name] }
        swatches = sorted
        numbers = models.map { |model| lined_up(swatches.map { |swatch| swatch.paint ? "·" : Magpie::Notation.numbers(swatch.colour, model) }) }
        swatches.each_with_index.map do |swatch, line|
          Line.new(numbers: numbers.map { |column| column[line] }, swatch:, places: (@page.reach_of(swatch.id) if swatch.shared), group: groups[swatch.group_id], from: from(swatch))
        end
      end

      private

      def sorted
        key = @page.choices[:sort]
        return @chips if key == "order"
        return @chips.sort_by.with_index { |swatch, index| [swatch.kind, index] } if key == "kind"
        Magpie::Palette::Order.by(@chips, key, uses: @chips.to_h { |swatch| [swatch, @page.reach_of(swatch.id)] })
      end

      # Numbers of several colours, each filled up to its column, so that they stand below
      # one another: "0 59 62  5" above "83 79  0 53".
      # @param texts [Array<String>] as many numbers in each
      def lined_up(texts)
        rows = texts.map(&:split)
        widths = rows.max_by(&:size).to_a.each_index.map { |column| rows.map { |row| row[column].to_s.size }.max }
        rows.map { |row| row.zip(widths).map { |number, width| number.rjust(width) }.join(" ") }
      end

      # Where it was found, or what it is made of.
      def from(swatch)
        @found ||= @page.desk.actor.finds.where(id: @chips.map(&:find_id).compact).includes(:source, :artwork).index_by(&:id)
        found = @found[swatch.find_id]
        return found.readable&.name || "the screen" if found
        return "tint, #{Magpie::Notation::Forms.short(swatch.tint, 1)} %" if swatch.tint_of_id
        swatch.paint ? swatch.paint.title.downcase : ""
      end
    end
  end
end
