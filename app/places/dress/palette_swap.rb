module Places
  module Dress
    # A whole palette put in the place of another: which swatch takes the place of each
    # colour in some artworks, proposed by name, order or nearest, and adjusted by hand; and
    # which outfit is worn instead of another, or by parts whose fill has a colour.
    class PaletteSwap
      WAYS = {"name" => "name", "order" => "order", "nearest" => "nearest"}.freeze

      # A colour that is there, or an outfit.
      # @!attribute key [Integer, String] a swatch's id, the hex of a stray, an outfit's key
      # @!attribute name [String, nil] nil of a stray
      # @!attribute places [Integer]
      # @!attribute fills [Integer] how many of them are fills; of an outfit, how many parts wear it
      # @!attribute outfit [DrawnOutfit, nil]
      From = Struct.new(:key, :name, :colour, :css, :places, :fills, :outfit) do
        # As forms have it: "12", "#E46F58", "o5".
        def field = key.to_s

        # How many are given what takes its place.
        def reached(to) = (to.is_a?(DrawnOutfit) && outfit.nil?) ? fills : places
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

      # @return [Array<From>] swatches in the order of their palettes, strays, then outfits
      def all = colours + worn

      def colours
        @colours ||= begin
          order = @desk.used_chips.each_with_index.to_h { |chip, index| [chip.id, index] }
          linked = list.linked.sort_by.with_index { |(chip, _), index| [order.fetch(chip.id, order.size), index] }.map { |chip, uses| From.new(chip.id, chip.name, chip.colour, chip.css, uses.total - uses.inks, uses.fills) }
          (linked + list.strays.map { |stray| From.new(stray.hex, nil, Magpie::Notation.parse(stray.hex), stray.hex, stray.places, stray.uses.fills) }).select { |each| each.places > 0 }
        end
      end

      # Outfits that are worn there.
      # @return [Array<From>]
      def worn = @worn ||= @page.worn(list).map { |outfit, parts| From.new(outfit.key, outfit.name, nil, nil, parts, parts, outfit) }

      # What can be worn: first those of the palette.
      # @return [Array<DrawnOutfit>]
      def outfits = @outfits ||= (DrawnOutfit.of([palette].compact) + @page.outfits).uniq(&:id)

      # @return [Array<Chip>] of the palette
      def swatches = @swatches ||= Chip.of_groups(palette.groups.map(&:id)).values_at(*palette.groups.map(&:id)).flatten

      # What takes the place of each colour, where something else does.
      # @return [Hash{From => (Chip, DrawnOutfit)}]
      def swaps = @swaps ||= all.zip(taken).to_h.reject { |from, to| to.nil? || key(to) == from.key }

      # As addresses have them.
      def text = Swaps.write(swaps.to_h { |from, to| [from.key, key(to)] })

      def places = swaps.sum { |from, to| from.reached(to) }

      # Tells whether the table was made for what is asked for now.
      def made = "#{palette.id}-#{way}"

      private

      def list = @list ||= ColourList.new(@desk, artworks)

      def key(to) = to.is_a?(DrawnOutfit) ? to.key : to.id

      # What was chosen by hand, or what is proposed.
      def taken
        by_key = (swatches + outfits).index_by { |to| key(to).to_s }
        chosen = (@param[:made] == made) ? @param.table(:swap) : {}
        all.zip(proposed + worn.map { |from| namesake(from) }).map { |from, to| chosen.key?(from.field) ? by_key[chosen[from.field]] : to }
      end

      # An outfit of the palette that is called as one is that is worn.
      def namesake(from) = (outfits.find { |each| each.palette_id == palette.id && each.name.casecmp?(from.name) } if way == "name")

      def proposed = Magpie::Palette::Matching.new(colours, swatches, plain: swatches.reject(&:paint_json)).by(way)
    end
  end
end
