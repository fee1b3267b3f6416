module Places
  module Palettes
    # All palettes of the house, and one of them at the side.
    class ShelfPage
      STRIP = 60
      NAMED = 4

      # @!attribute size, groups [Integer] swatches and groups of it
      # @!attribute strip [Array<Swatch>] what was found, or all
      # @!attribute found [String, nil] what was found in it, in words
      # @!attribute more [Integer] found beyond the words
      Item = Struct.new(:palette, :size, :groups, :strip, :found, :more, :used, keyword_init: true)

      # @param desk [Frame::Desk]
      # @param param [Frame::Asked] of the request
      def initialize(desk, param)
        @desk, @param = desk, param
      end

      # What is looked for.
      def sought = @param.text(:find)

      def sought? = !sought.strip.empty?

      # How far a colour that is looked for may lie.
      # @return [Integer, nil] ΔE00
      def near = (FoundPalettes::LIKE.round if Magpie::Notation.try(sought))

      def archived? = !@param[:archived].nil?

      # @return [Array<Item>]
      def items = @items ||= FoundPalettes.new(@desk.actor, @param[:find], archived: archived?).to_h.map { |palette, found| item(palette, found) }

      # Can they be put in another order?
      def ordered? = @desk.palettes.size > 1

      # @return [AboutPalette, nil]
      def about
        return @about if defined?(@about)
        palette = @desk.actor.palettes.includes(groups: :swatches).find_by(id: @param.id(:palette))
        @about = palette && AboutPalette.new(palette, @desk)
      end

      private

      def item(palette, found)
        all = palette.groups.flat_map(&:swatches)
        words = found.first(NAMED).map { |swatch, difference| difference ? "#{swatch.name} ΔE #{format("%.1f", difference)}" : swatch.name }.join(", ") if found.any?
        Item.new(palette:, size: all.size, groups: palette.groups.size, strip: (found.any? ? found.map(&:first) : all).first(STRIP), found: words, more: found.size - NAMED, used: @desk.palettes.include?(palette))
      end
    end
  end
end
