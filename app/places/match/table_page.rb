module Places
  module Match
    # Whole palette: the colours of a palette, or of an artwork, each with what it is matched to.
    # What is ticked, and how good a match is taken, is said by the address.
    class TablePage
      include OfPalette

      BEST = 6 # candidates of each
      MOST = 2_000 # rows
      SHOWN = 3 # artworks

      def hand_view = :table_acts

      # ΔE00 up to which a match is ticked.
      def within = Float(@desk.choices[:within])

      # @return [Array<Pair>]
      def pairs
        @pairs ||= begin
          found = pool.many(rows.map(&:colour), BEST, without: rows.map { |row| row.chip&.id })
          taken = {}
          rows.zip(found).each do |row, candidates|
            row.candidates, row.rank = candidates, ranks.fetch(row.key, 0).clamp(0, [candidates.size - 1, 0].max)
            row.ticked = row.near? && (turned.include?(row.key) ^ (row.near.difference <= within))
            next unless row.near?
            row.same_as = taken[row.near.key]
            taken[row.near.key] ||= row.name
          end
          rows
        end
      end

      # Those that are a gradient or pattern, which has no one colour.
      def left_out = @left_out ||= of.is_a?(::Palette) ? @desk.chips_in(of).select(&:paint_json) : []

      def ticked = @ticked ||= pairs.select(&:ticked)

      # Ticked swatches that a match can be noted of, and those that can be changed.
      def notable = ticked.select { |pair| pair.chip && pair.near.entry }

      def changeable = ticked.select { |pair| pair.chip && !pair.chip.locked }

      # As forms have them: "34:e12:E46F58".
      def text(pairs) = pairs.map { |pair| [pair.chip.id, pair.near.key, pair.colour.hex.delete("#")].join(":") }.join(",")

      # How many are that near: [words, number]
      def sums
        near, far = pairs.partition(&:near?)
        [["Within ΔE 1", near.count { |pair| pair.near.difference < 1 }], ["Within ΔE #{limit}", near.count { |pair| pair.near.difference <= within }],
          ["Further off", near.count { |pair| pair.near.difference > within }], ["Nothing near", far.size]]
      end

      # "Mean ΔE 1.5, largest 3.0 (Rosehip)."
      def mean
        near = pairs.select(&:near?)
        return if near.empty?
        worst = near.max_by { |pair| pair.near.difference }
        "Mean ΔE #{format("%.1f", near.sum { |pair| pair.near.difference } / near.size)}, largest #{worst.near.number} (#{worst.name})."
      end

      def limit = Magpie::Notation::Forms.short(within, 1)

      # What the ticked swatches would be, and what would follow.
      # @return [Previewed]
      def previewed = @previewed ||= Previewed.new(@desk, plan.free.to_h { |swatch| [swatch, matched.fetch(swatch.id)] })

      # Artworks in which one of them is.
      def shown = @shown ||= (of.is_a?(::Artwork) ? [of] : previewed.artworks).first(SHOWN)

      # The address with another choice for one row.
      # @return [Hash] parameters
      def turned_with(pair) = {turned: (turned.include?(pair.key) ? turned - [pair.key] : turned + [pair.key]).to_a.join(",").presence}

      def ranked_with(pair, by) = {ranks: ranks.merge(pair.key => pair.rank + by).reject { |_, rank| rank.zero? }.map { |each| each.join(":") }.join(",").presence}

      # @return [String] RFC 4180
      def csv
        require "csv"
        CSV.generate(row_sep: "\r\n") do |csv|
          csv << ["Name", "Hex", "Match", "Code", "Library", "Match hex", "ΔE00", "In words", "Ticked"]
          pairs.each do |pair|
            near = pair.near
            csv << [pair.name, pair.colour.hex, near&.name, near&.code, near&.from, near&.hex, near && format("%.2f", near.difference), near ? near.words : pair.remark, pair.ticked ? "yes" : "no"].map { |cell| Magpie::Formats::Table.guarded(cell) }
          end
        end
      end

      private

      def rows
        @rows ||= (of.is_a?(::Artwork) ? of_artwork : chips.map { |chip| row(chip) }).first(MOST)
      end

      def of_artwork
        chips.map { |chip| row(chip) } + ArtworkColours.new([of], @desk.used_chips).strays.map { |hex, _| Pair.new(key: hex.delete("#"), name: hex, colour: Magpie::Notation.parse(hex), css: hex) }
      end

      def row(chip) = Pair.new(key: "s#{chip.id}", name: chip.name, colour: chip.colour, css: chip.css, chip:)

      # Rows whose tick somebody turned.
      def turned = @turned ||= @param.text(:turned).split(",").first(MOST).to_set

      # Rows of which another than the nearest is taken.
      def ranks = @ranks ||= @param.text(:ranks).scan(/(\w{2,20}):(\d{1,2})/).to_h { |key, rank| [key, rank.to_i] }

      def matched = @matched ||= changeable.to_h { |pair| [pair.chip.id, pair.near.colour] }

      def plan = Swatch.where(id: matched.keys).order(:id).to_a.then { |found| Following::Plan.new(found) }
    end
  end
end
