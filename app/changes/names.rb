module Changes
  # Names of newcomers in a group, no two alike, however many there are.
  class Names
    # So many that a suggestion for each would take too long.
    SUGGESTED = 2_000

    # @param group [Group]
    def self.of(group) = Swatch.where(group:).pluck(:name).then { |taken| new(taken) }

    # @param taken [Array<String>]
    def initialize(taken)
      @taken = taken.to_h { |name| [name.downcase, 1] }
      @suggested = 0
    end

    # @param swatch [Magpie::Palette::Swatch] one without a name is called after its colour
    # @param hex [String]
    # @return [String]
    def free(swatch, hex)
      name = swatch.name.empty? ? suggested(swatch, hex) : swatch.name
      key = name.downcase
      return name.tap { @taken[key] = 1 } unless @taken.key?(key)
      number = @taken[key] + 1
      number += 1 while @taken.key?("#{key} #{number}")
      @taken[key] = number
      @taken["#{key} #{number}"] = 1
      "#{name} #{number}"
    end

    private

    def suggested(swatch, hex) = ((@suggested += 1) > SUGGESTED) ? hex : Magpie::ColorName.suggest(swatch.colour)
  end
end
