module Changes
  # What a swatch of a file is made from: of a tint the whole, of inks what they follow.
  module FileTies
    # ΔE00 up to which a tint of a file is what we make of it. Others made theirs in
    # another way, or measured it: then the value counts.
    SAME = 1.0

    # @!attribute follower, followed [Array<Integer>] addresses in the file
    Tie = Struct.new(:follower, :followed, :tint, :ink) do
      # @param placed [Hash{Array<Integer> => Integer}] ids of swatches by their addresses in the file
      # @return [Hash, nil] of follows; nil where one of them did not come in
      def row(placed)
        return unless placed[follower] && placed[followed] && placed[follower] != placed[followed]
        {swatch_id: placed[followed], follower_id: placed[follower], tint:, ink:}
      end
    end

    module_function

    # @param value [Magpie::Palette]
    # @return [Array<Tie>]
    def of(value, address, swatch)
      return inks(value, address, swatch.compound) if swatch.compound
      (swatch.tint && tint?(value, swatch) && !circular?(value, address)) ? [Tie.new(address, swatch.tint.of, swatch.tint.percent, nil)] : []
    end

    def inks(value, address, compound)
      compound.inks.each_with_index.filter_map { |ink, index| Tie.new(address, ink.reference, nil, index) if ink.reference && value.at(ink.reference)&.colour == ink.colour }
    end

    def tint?(value, swatch)
      whole = value.at(swatch.tint.of)
      whole && whole.compound.nil? && Magpie::Difference.de2000(Magpie::Making::Tints.tint(whole.colour, swatch.tint.percent), swatch.colour) <= SAME
    end

    # A file can say that two are tints of each other.
    def circular?(value, address)
      passed = {}
      while address
        return true if passed[address]
        passed[address] = true
        address = value.at(address)&.tint&.of
      end
      false
    end
  end
end
