module Places
  module Gather
    # The find that was read last, or is looked at again: its two colours, what it may be
    # told from, and what is close to it.
    class ReadFind
      # Swatches closer than this are "already close" (ΔE00), and so many are told.
      CLOSE = 3.0
      MOST_CLOSE = 4
      # ΔE00 at the end of the bar of spread.
      WIDEST = 8.0
      VERDICTS = {
        "even" => "Even. Safe to keep as one colour.", "a little mixed" => "A little mixed. Look at the most common colour too.",
        "mixed" => "Mixed. Try a smaller probe, a patch, or another place."
      }.freeze

      # @!attribute swatch [Chip]
      # @!attribute group [Group] that it is in
      Close = Struct.new(:group, :swatch, :difference)

      # What the same place holds in a picture beside.
      Beside = Struct.new(:name, :colour, :difference)

      attr_reader :find

      # @param page [Page]
      # @param find [Find, nil]
      # @param desk [Frame::Desk]
      # @param stack [String] numbers of the parts that lie where an artwork was read
      def initialize(page, find, desk, stack)
        @page, @find, @desk, @stack = page, find, desk, stack.scan(/\d{1,6}/).map(&:to_i)
      end

      # @return [Hash{String => Magpie::Color}]
      def colours = {"average" => find.average, "most_common" => find.most_common}

      # Where the spread stands on its bar, in per cent.
      def spread_share = [find.spread / WIDEST * 100, 99].min.round(1)

      # In a sentence, for who does not see it.
      def say = "Read #{find.colour.hex}, #{find.name}, spread ΔE #{format("%.1f", find.spread)}. #{verdict}"

      def verdict = find.pixels? ? VERDICTS[find.verdict] : "One colour: there is nothing to average."

      # @return [Array<Part>] others that lie there
      def below
        return [] unless @stack.size > 1 && find.artwork
        parts = find.artwork.parts.numbered(@stack).index_by(&:position)
        @stack.filter_map { |number| parts[number] }.reject { |part| part.label == find.part }
      end

      def stacked? = @stack.size > 1 && find.artwork

      # @return [Array<Beside>]
      def beside
        return [] unless find.pixels? && find.source && @page.compared.any?
        aim = Aim.of_find(find)
        ([@page.looked, *@page.compared] - [find.source]).map do |other|
          colour = aim.scaled([other.width.fdiv(find.source.width), other.height.fdiv(find.source.height)]).read(@page.seen(other).picture).average
          Beside.new(other.name, colour, colour && Magpie::Difference.de2000(colour, find.average))
        end
      end

      # The notation that is copied by itself after a reading; nil when that is switched off.
      def copied = (Magpie::Notation.write(find.colour, @desk.choices[:favourite].to_sym) if @desk.choices[:copying] == "on")

      # @return [Array<Close>] nearest first
      def close
        @close ||= @desk.used_index.to(find.colour, most: MOST_CLOSE, within: CLOSE).map { |swatch, difference| Close.new(@desk.group(swatch.group_id), swatch, difference) }
      end
    end
  end
end
