module Changes
  # Keeps all main colours of a picture as a new group, each with the find that it
  # came from.
  class KeepMainColours < Change
    # @param colours [Array<Magpie::Picture::MainColours::MainColour>]
    def initialize(project, palette:, readable:, colours:)
      super(project)
      @palette, @readable, @colours = palette, readable, colours
    end

    private

    def make
      taken = Group.where(palette: @palette).pluck(:name)
      @group = create(Group, palette: @palette, name: Magpie::ColorName.unused(@readable.name, taken), note: "Main colours of a picture", position: next_position(Group.where(palette: @palette)))
      names = Magpie::ColorName.suggest_all(@colours.map(&:colour))
      swatches = @colours.zip(names).map.with_index(1) do |(each, name), position|
        find = create(Find, project:, created_at: Time.now, **Reading.from(@readable), **Reading.flat(each.colour), way: "main", share: each.share, x: each.at[0], y: each.at[1])
        {group_id: @group.id, find_id: find.id, name:, colour: each.colour, hex: each.colour.hex, position:}
      end
      create_all(Swatch, swatches)
      @group
    end

    def words = "Kept #{count(@colours.size, "main colour")} of #{@readable.name} as a group"
  end
end
