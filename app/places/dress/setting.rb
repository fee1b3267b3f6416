module Places
  module Dress
    # How what is picked is drawn, as a form has it and gives it back.
    class Setting
      DASHES = {"none" => "none", "1 2" => "dots", "4 2" => "short", "8 4" => "long", "8 3 2 3" => "dash and dot"}.freeze

      # @param settings [PartSettings]
      def initialize(settings) = @settings = settings

      # @return [Hash{Symbol => Object}]
      def common = @common ||= @settings.common

      def any? = !common.values.all?(&:nil?)

      def set? = @settings.set?

      # As a field holds it, nil where they differ.
      def width = number(:width)

      def opacity = number(:opacity, 100)

      # What can be chosen, with what they have now.
      # @return [Hash{String => String}]
      def dashes = DASHES.merge((common[:dash].is_a?(String) && !DASHES.key?(common[:dash])) ? {common[:dash] => common[:dash]} : {})

      # Per cent.
      def grain = number(:grain, 100)

      def grain_size = number(:grain_size)

      # As a field holds it, empty where they differ.
      def dash = chosen(:dash)

      def limit = number(:limit)

      # @param name [Symbol] of what is one of a few
      # @return [String] empty where they differ
      def chosen(name) = common[name].is_a?(String) ? common[name] : ""

      # Is any of them more than text? That has no other lines, and no grain.
      def shapes? = @settings.ends.any?

      # Can their lines lie on one side, can they have marks?
      def sides? = @settings.ends.include?(:closed)

      def marks? = @settings.ends.include?(:open)

      # What a form gives that is other than it was.
      # @param param [Frame::Asked] of the request
      # @return [Hash{Symbol => Object}]
      # @raise [Magpie::Error]
      def given(param)
        numbers = {width: [width, 0, Magpie::Artwork::Settings::WIDTHS, 1], limit: [limit, 4, Magpie::Artwork::Settings::LIMITS, 1], opacity: [opacity, 100, 0..100, 100.0], grain: [grain, 0, 0..100, 100.0], grain_size: [grain_size, 2, Magpie::Artwork::Settings::GRAINS, 1]}
        asked = {
          **numbers.filter_map { |name, (was, usual, range, of)| [name, param.number("set_#{name}", usual, range) / of] if changed?(param, "set_#{name}", was) }.to_h,
          **CHOSEN.filter_map { |name| [name, param.text("set_#{name}")] if changed?(param, "set_#{name}", chosen(name)) }.to_h
        }
        asked.slice(*Magpie::Artwork::Settings.members) # in their order
      end

      CHOSEN = %i[dash cap join side run first_mark last_mark blend].freeze

      private

      def number(name, times = 1) = common[name].is_a?(Numeric) ? Magpie::Notation::Forms.short(common[name] * times, 2) : nil

      def changed?(param, field, was) = !param.text(field).empty? && param.text(field) != was.to_s
    end
  end
end
