module Changes
  # Renames swatches by a pattern, all of them or none.
  class RenameSwatches < Change
    include Slots

    # @param pattern [String] see Magpie::Palette::NamePattern
    def initialize(project, swatches:, pattern:)
      super(project)
      @swatches, @pattern = swatches, Magpie::Text.name(pattern)
    end

    private

    # First out of each other's way, since names are unique in a group at every moment.
    def make
      names = Magpie::Palette::NamePattern.names(@pattern, @swatches).map { |name| Magpie::Text.name(name) }
      check(names)
      @swatches.each { |swatch| update(swatch, name: "#{swatch.name} \u2026 #{swatch.id}") }
      @swatches.zip(names) { |swatch, name| update(swatch, name:) }
    end

    def check(names)
      raise Magpie::Error, "A name comes out empty" if names.any?(&:empty?)
      @swatches.zip(names).group_by { |swatch, _| swatch.group }.each do |group, pairs|
        others = Swatch.where(group:).where.not(id: @swatches.map(&:id)).pluck(:name)
        all = [*others, *pairs.map(&:last)].map(&:downcase)
        double = all.find { |name| all.count(name) > 1 }
        raise Magpie::Error, "#{group.name} would have two swatches called “#{double}”. Put {n} into the pattern" if double
      end
    end

    def words = "Renamed #{named(@swatches)} by “#{@pattern}”"
  end
end
