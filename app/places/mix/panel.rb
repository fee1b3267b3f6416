module Places
  module Mix
    # What can be made of a colour: the values of one panel of the sheet, from what a
    # request asks for.
    class Panel
      # Swatches that can be chosen from.
      MOST = 80

      attr_reader :colour, :before

      # @param colour [Magpie::Color] as it is now
      # @param before [Magpie::Color] as it was when the sheet was opened
      # @param desk [Frame::Desk]
      # @param param [Frame::Asked] of the request
      # @raise [Magpie::Error]
      def initialize(colour, before, desk, param)
        @colour, @before, @desk, @param = colour, before, desk, param
        prepare
      end

      def choices = swatches.first(MOST)

      private

      def prepare = nil

      def swatches = @desk.used_chips

      # "swatch-12", as the panels' fields name one.
      # @return [Chip, nil]
      def chosen(name) = swatches.find { |each| "swatch-#{each.id}" == @param[name] }

      def asked(...) = @param.number(...)

      def suggested = Magpie::ColorName.suggest(colour)
    end
  end
end
