module Magpie
  module Difference
    # What a ΔE00 means to whoever compares, in words.
    module Words
      # Below which, and what it is called.
      STEPS = {1.0 => "the same to the eye", 2.0 => "close", 5.0 => "shows side by side", Float::INFINITY => "another colour"}.freeze

      module_function

      # @param difference [Float] ΔE00
      # @return [String]
      def of(difference) = STEPS.find { |below, _| difference < below }&.last || STEPS.values.last
    end
  end
end
