module Places
  module Palettes
    # One swatch at the side: its numbers, where it came from, and the values that it had.
    class AboutSwatch
      FIELDS = {"name" => ["Name", "suggested when empty"], "code" => ["Code", "of the house or a library"], "note" => ["Note", ""]}.freeze

      # What lies now where its find was read.
      # @!attribute colour [Magpie::Color, nil] nil where there is no colour any more
      Again = Struct.new(:colour, :swatch) do
        def same? = colour.hex == swatch.hex

        # ΔE00.
        def difference = Magpie::Difference.de2000(swatch.colour, colour)
      end

      # What somebody else did to it meanwhile.
      # @!attribute mine [String] what was wanted
      Conflict = Struct.new(:field, :theirs, :mine) do
        def colour? = field == "colour"

        def colour = Magpie::Notation.parse(mine)
      end

      # @!attribute when_done [String]
      Past = Struct.new(:change, :hex, :when_done, :restorable)

      attr_reader :swatch

      # @param param [Frame::Asked] of the request
      # @param swatch [Swatch]
      def initialize(param, swatch)
        @param, @swatch = param, swatch
      end

      def state = "#{swatch.shared ? "shared" : "loose: applying it copies its value"}#{", locked" if swatch.locked}"

      def tint = Magpie::Notation::Forms.short(swatch.tint, 1)

      def find = swatch.find

      # The entry of a library that is noted as its match.
      # @return [Entry, nil] nil where the library is gone
      def entry = swatch.entry&.then { |entry| entry unless entry.library.removed_at }

      def crop = ([find.x, find.y].join("-") if find.readable && find.x)

      # @return [Again, nil] where it was asked for
      def again = (@again ||= Again.new(Changes::Reading.again(find), swatch) if @param[:again] && find&.pixels?)

      # @return [Conflict, nil]
      def conflict
        return unless @param[:mine]
        field = @param.text(:field)
        Conflict.new(field, (swatch[field] if Changes::EditSwatch::FIELDS.key?(field.to_sym)), @param[:mine])
      end

      # @return [Array<Past>]
      def history
        @history ||= PastValues.of(swatch).map { |value| Past.new(value.change, value.hex, value.change.created_at.strftime("%-d %b %Y, %H:%M"), value.hex != swatch.hex && !swatch.paint) }
      end
    end
  end
end
