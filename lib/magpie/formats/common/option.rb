module Magpie
  module Formats
    # What can be chosen of how a file is written.
    # @!attribute key [String]
    # @!attribute title [String]
    # @!attribute values [Hash{String => String}, Range, nil] values and their words; whole
    #   numbers; nil for words of one's own
    # @!attribute usual [String, Integer]
    # @!attribute several [Boolean] may it have several of its values, with commas between?
    Option = Struct.new(:key, :title, :values, :usual, :several) do
      # @param given [String, nil]
      # @return [String, Integer]
      # @raise [Magpie::Error] where it is none of them
      def value(given)
        return usual if given.nil? || given.to_s.strip.empty? && !values.nil?
        case values
        when Hash then several ? all(given) : one(given)
        when Range then whole(given)
        else Text.name(given, longest: 40)
        end
      end

      # The usual one in place of what cannot be.
      def settled(given)
        value(given)
      rescue Error
        usual
      end

      private

      def all(given) = given.to_s.split(",").map { |each| one(each.strip) }.uniq.join(",")

      def one(given)
        values.key?(given) ? given : raise(Error, "#{title.downcase} is “#{given.to_s[0, 40]}”: expected #{Text.list(values.keys).sub(" and ", " or ")}")
      end

      def whole(given)
        number = Integer(given.to_s, 10, exception: false)
        (number && values.cover?(number)) ? number : raise(Error, "#{title.downcase} is “#{given.to_s[0, 40]}”: expected #{values.begin} to #{values.end}")
      end
    end
  end
end
