module Places
  module Match
    # Something that a colour can be matched to: an entry of a library, or a swatch of a palette.
    #
    # @!attribute key [String] "e12" or "s34", as addresses have it
    # @!attribute from [String] the library or palette that it is of
    # @!attribute difference [Float, nil] ΔE00 to what it is compared with
    # @!attribute entry [Entry, nil]
    # @!attribute swatch_id [Integer, nil]
    Near = Struct.new(:key, :name, :code, :from, :colour, :hex, :difference, :entry, :swatch_id, keyword_init: true)

    class Near
      def self.of_entry(entry, from, difference = nil) = new(key: "e#{entry.id}", name: entry.name, code: entry.code, from:, colour: entry.colour, hex: entry.hex, difference:, entry:)

      def self.of_chip(chip, from, difference = nil) = new(key: "s#{chip.id}", name: chip.name, code: chip.code, from:, colour: chip.colour, hex: chip.hex, difference:, swatch_id: chip.id)

      def words = difference && Magpie::Difference::Words.of(difference)

      # "ΔE 1.2"
      def number = difference && format("%.1f", difference)

      # "Hearth clay, TF 088"
      def called = [name, code].compact.join(", ")

      def spectrum = entry&.spectrum

      def with(difference) = dup.tap { |copy| copy.difference = difference }
    end
  end
end
