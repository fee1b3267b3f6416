module Magpie
  # How much work may be made of what comes from outside.
  module Limits
    # There is more of something than may be: nothing that can be left out alone.
    class Exceeded < Error; end

    autoload :Budget, "magpie/limits/budget"

    SECONDS = 8 # of processor time for one file
    ELEMENTS = 50_000 # of one drawing, its copies of copies among them

    module_function

    # For a drawing. Real ones of 10 MB have some 20,000 elements, ten attributes each; the
    # most steps a real one took were 1,200. A step takes 3.5 microseconds, so that a machine
    # four times as slow still counts to the end before the seconds are over.
    # @return [Budget]
    def drawing
      Budget.new(seconds: SECONDS, elements: ELEMENTS, attributes: 500_000, characters_of_style: 3_000_000, selectors: 5_000, steps_of_work: 500_000, bytes: 40 * 1024 * 1024)
    end

    # For a palette.
    # @return [Budget]
    def palette = Budget.new(seconds: SECONDS, colours: 100_000, groups: 20_000, tokens_and_groups: 350_000, elements: 2_000_000, lines: 1_000_000, steps_of_work: 1_000_000)
  end
end
