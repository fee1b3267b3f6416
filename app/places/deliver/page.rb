module Places
  module Deliver
    # What can be sent out: each palette in each format, and the artworks.
    class Page
      # @!attribute carries [String] what the format carries of it, and what it loses
      Item = Struct.new(:palette, :format, :groups, :size, :carries, keyword_init: true)

      # @param desk [Frame::Desk]
      def initialize(desk) = @desk = desk

      def formats = [Magpie::Formats::Tokens]

      # Each with its colourways.
      def artworks = @artworks ||= @desk.rows.artworks.flat_map { |each| [each, *@desk.rows.colourways[each.id]] }

      # @return [Array<Item>]
      def items(format) = @desk.palettes.map { |palette| item(palette, format) }

      private

      def item(palette, format)
        Item.new(palette:, format:, groups: palette.groups.map { |group| @desk.chips[group.id] }, size: @desk.chips_in(palette).size, carries: carried(format, palette))
      end

      def carried(format, palette)
        @values ||= {}
        lost = Magpie::Formats::Sending.new(@values[palette.id] ||= palette.value, format).losses.map(&:words)
        rest = lost.empty? ? "Empty slots and locks stay here; nothing else is lost" : "Lost: #{Magpie::Text.list(lost)}; empty slots and locks stay here"
        "#{format.title} carry #{format.brief}. #{rest}."
      end
    end
  end
end
