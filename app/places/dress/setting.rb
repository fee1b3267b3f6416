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

      def dash = common[:dash]

      def blend = common[:blend]

      # What a form gives that is other than it was.
      # @param param [Frame::Asked] of the request
      # @return [Hash{Symbol => Object}]
      # @raise [Magpie::Error]
      def given(param)
        {
          width: (param.number(:set_width, 0, Magpie::Artwork::Settings::WIDTHS) if changed?(param, :set_width, width)), dash: (param.text(:set_dash) if changed?(param, :set_dash, dash)),
          opacity: (param.number(:set_opacity, 100, 0..100) / 100.0 if changed?(param, :set_opacity, opacity)), blend: (param.text(:set_blend) if changed?(param, :set_blend, blend))
        }.compact
      end

      private

      def number(name, times = 1) = common[name].is_a?(Numeric) ? Magpie::Notation::Forms.short(common[name] * times, 2) : nil

      def changed?(param, field, was) = !param.text(field).empty? && param.text(field) != was.to_s
    end
  end
end
