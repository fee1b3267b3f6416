module Following
  # What swatches hold, many of them read at once and without their records: a change
  # at the root of a thousand followers reads as many.
  #
  # @!attribute paint [Magpie::Palette::Compound, nil] without what its inks follow
  Held = Struct.new(:id, :name, :hex, :colour, :paint, :locked) do
    # @param ids [Array<Integer>]
    # @return [Hash{Integer => Held}] by id
    def self.of(ids)
      rows = Record.connection.select_rows("SELECT id, name, hex, colour, paint, locked FROM swatches WHERE id = ANY(#{Record.array(ids)})")
      colours = JSON.parse("[#{rows.map { |row| row[3] }.join(",")}]")
      rows.zip(colours).to_h do |(id, name, hex, _, paint, locked), colour|
        [id, new(id, name, hex, Magpie::Color.from_h(colour), paint && Magpie::Palette::Compound.from_h(JSON.parse(paint)), locked)]
      end
    end

    # Its columns as they are kept, those that a change of what it follows can move.
    # @return [Hash]
    def row = {"id" => id, "colour" => colour.to_h, "hex" => hex, **(paint ? {"paint" => paint.to_h} : {})}
  end
end
