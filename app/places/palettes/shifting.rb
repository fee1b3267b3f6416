module Places
  module Palettes
    # A shift that is asked for: of a palette, or of what is selected.
    class Shifting
      # @param param [Frame::Asked] of the request
      # @param swatches [Array<Swatch>] what it is about
      def initialize(param, swatches)
        @param, @swatches = param, swatches
      end

      # @raise [Magpie::Error]
      def shift = @shift ||= Magpie::Palette::Shift.new(**Magpie::Palette::Shift::RANGES.keys.to_h { |name| [name, @param.given?(name) ? @param.exactly(name) : 0.0] })

      # What the sliders stood at, for a page that goes on from there.
      def self.asked(param) = Magpie::Palette::Shift::RANGES.keys.to_h { |name| [name, param[name]] }.reject { |_, amount| amount.nil? || amount == "0" }

      # What it makes of those that can be given a value.
      # @return [Hash{Swatch => Magpie::Color}]
      def colours = @colours ||= Following::Plan.new(@swatches).free.to_h { |each| [each, shift.of(each.colour)] }

      # What it would make of them, and of what follows.
      # @return [Hash{Integer => String}] hex by swatch
      def preview = Following::Plan.preview(colours).transform_values(&:hex)

      # As the list of changes says it.
      def words = "Shifted #{what}: #{shift.words}"

      private

      def what = (@param[:scope] == "selection") ? Magpie::Text.count(colours.size, "swatch") : @swatches.first&.group&.palette&.name
    end
  end
end
