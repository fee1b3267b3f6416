module Changes
  # A new palette of what colours were matched to, in the groups of those: names and codes of
  # the entries, which are spot colours where they have a code.
  class KeepMatches < Change
    # @param name [String]
    # @param matches [Hash{String => Array<(Entry, #name)>}] by the name of a group
    def initialize(project, name:, matches:)
      super(project)
      @name, @matches = Magpie::Text.name(name, longest: 120), matches.reject { |_, things| things.empty? }
    end

    private

    def make
      raise Magpie::Error, "There is nothing to keep: tick a row or more" if @matches.empty?
      @palette = create(Palette, name: Magpie::ColorName.unused(@name.presence || "Matches", actor.palettes.pluck(:name)))
      create(Use, project:, palette: @palette, position: next_position(project.uses))
      @matches.each.with_index(1) { |(group, things), position| fill(create(Group, palette: @palette, name: group, position:), things) }
      @palette
    end

    # The same entry once, however many were matched to it.
    def fill(group, things)
      names = []
      rows = things.uniq.map.with_index(1) do |thing, position|
        names << Magpie::ColorName.unused(thing.name, names)
        {group_id: group.id, name: names.last, colour: thing.colour, hex: thing.hex, **(thing.is_a?(Entry) ? thing.kept : {entry_id: nil, code: thing.code, kind: "process"}), position:}
      end
      create_all(Swatch, rows)
    end

    def words = "Kept #{count(@matches.values.sum { |things| things.uniq.size }, "match")} as the palette #{@palette.name}"
  end
end
