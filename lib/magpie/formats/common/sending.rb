module Magpie
  module Formats
    # A palette on its way out in some format: what cannot go, what goes instead, the bytes.
    class Sending
      # @return [Class]
      attr_reader :format
      # @return [Hash{String => String, Integer}] every option with its value
      attr_reader :options

      # @param palette [Palette]
      # @param format [Class]
      # @param given [Hash{String => String}] options that were chosen; others have their usual value
      # @param strict [Boolean] refuses what is no value of an option, instead of taking the usual one
      # @raise [Magpie::Error]
      # @param dark [Palette, nil] that has the colours of the same names for dark pages, where the format has room for them
      def initialize(palette, format, given = {}, strict: false, dark: nil)
        @whole, @format = palette, format
        known = [*format.options, *Prepared::OPTIONS]
        unknown = given.keys - known.map(&:key)
        raise Error, "#{format.in_words} has no option #{unknown.first.to_s[0, 40]}: expected #{Text.list(known.map(&:key)).sub(" and ", " or ")}" if strict && unknown.any?
        @options = known.to_h { |option| [option.key, option.public_send(strict ? :value : :settled, given[option.key])] }
        @options["ground"] = Prepared::GROUND.usual unless strict || Notation.try(@options["ground"])
        @options["dark"] = dark if dark
        @prepared = Prepared.new(palette, format.carries(@options), @options)
      end

      # As it is written.
      # @return [Palette]
      def palette = @prepared.palette

      # What there is to choose for this palette.
      # @return [Array<Option>]
      def offered
        palette
        format.options + @prepared.offered
      end

      # @return [Array<Losses::Loss>] with those that can be chosen about first
      def losses
        @losses ||= begin
          rest = Losses.new(palette, format.carried(palette, @options), Carried.new(format, @options).order(palette)).to_a
          @prepared.losses + rest
        end
      end

      # Tells whether the file is another.
      # @return [String]
      def mark = Digest::SHA256.hexdigest(bytes)[0, 12]

      # @return [String]
      # @raise [Magpie::Error] where the format has no room for it
      def bytes = @bytes ||= format.write(palette, @options)
    end
  end
end
