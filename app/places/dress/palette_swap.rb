module Places
  module Dress
    # A whole palette put in the place of another: which swatch takes the place of each
    # colour in some artworks, proposed by name, order or nearest, and adjusted by hand.
    class PaletteSwap
      WAYS = {"name" => "name", "order" => "order", "nearest" => "nearest"}.freeze

      # A colour that is there.
      # @!attribute key [Integer, String] a swatch's id, or the hex of a stray
      # @!attribute name [String, nil] nil of a stray
      # @!attribute places [Integer]
      From = Struct.new(:key, :name, :colour, :css, :places) do
        # As forms have it: "12" or "#E46F58".
        def field = key.to_s
      end

      # @param desk [Frame::Desk]
      # @param page [Page]
      # @param param [Frame::Asked] of the request
      def initialize(desk, page, param)
        @desk, @page, @param = desk, page, param
      end

      # Those that it is done in: the ones asked for, or what is on the stage.
      # @return [Array<Artwork>]
      def artworks
        @artworks ||= @page.all.select { |each| @param.list(:among).include?(each.id.to_s) }.then { |asked| asked.any? ? asked : [@page.artwork] }
      end

      def palettes = @palettes ||= (@desk.palettes + @desk.actor.palettes.standing.where.not(id: @desk.palettes.map(&:id)).order(:name).to_a)

      # The one asked for; or another than the first.
      def palette = @palette ||= palettes.find { |each| each.id == @param.id(:palette) } || palettes[1] || palettes.first

      def way = WAYS.key?(@param[:by]) ? @param[:by] : "name"

      # @return [Array<From>] swatches in the order of their palettes, then strays
      def colours
        @colours ||= begin
          list = ColourList.new(@desk, artworks)
          order = @desk.used_chips.each_with_index.to_h { |chip, index| [chip.id, index] }
          linked = list.linked.sort_by.with_index { |(chip, _), index| [order.fetch(chip.id, order.size), index] }.map { |chip, uses| From.new(chip.id, chip.name, chip.colour, chip.css, uses.total - uses.inks) }
          (linked + list.strays.map { |stray| From.new(stray.hex, nil, Magpie::Notation.parse(stray.hex), stray.hex, stray.places) }).select { |each| each.places > 0 }
        end
      end

      # @return [Array<Chip>] of the palette
      def swatches = @swatches ||= Chip.of_groups(palette.groups.map(&:id)).values_at(*palette.groups.map(&:id)).flatten

      # What takes the place of each colour, where something else does.
      # @return [Hash{From => Chip}]
      def swaps = @swaps ||= colours.zip(taken).to_h.reject { |from, to| to.nil? || to.id == from.key }

      # As addresses have them.
      def text = Swaps.write(swaps.to_h { |from, to| [from.key, to.id] })

      def places = swaps.keys.sum(&:places)

      # Tells whether the table was made for what is asked for now.
      def made = "#{palette.id}-#{way}"

      private

      # What was chosen by hand, or what is proposed.
      def taken
        by_id = swatches.index_by { |chip| chip.id.to_s }
        chosen = (@param[:made] == made) ? @param.table(:swap) : {}
        colours.zip(proposed).map { |from, to| chosen.key?(from.field) ? by_id[chosen[from.field]] : to }
      end

      def proposed = Magpie::Palette::Matching.new(colours, swatches, plain: swatches.reject(&:paint_json)).by(way)
    end
  end
end
