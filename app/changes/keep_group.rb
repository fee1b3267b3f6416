module Changes
  # Keeps several colours as a new group: a ramp, a harmony, the steps between two.
  class KeepGroup < Change
    # @param colours [Array<Magpie::Color>]
    def initialize(project, palette:, name:, colours:, note: nil)
      super(project)
      @palette, @name, @colours, @note = palette, Magpie::Text.name(name), colours, note
    end

    private

    def make
      raise Magpie::Error, "There is no colour to keep" if @colours.empty?
      raise Magpie::Error, "#{@colours.size} colours at once: the limit is 100" if @colours.size > 100
      groups = Group.where(palette: @palette)
      @group = create(Group, palette: @palette, name: Magpie::ColorName.unused(@name.empty? ? "New group" : @name, groups.pluck(:name)), note: @note, position: next_position(groups))
      names = Magpie::ColorName.suggest_all(@colours)
      create_all(Swatch, @colours.zip(names).map.with_index(1) { |(colour, name), position| {group_id: @group.id, name:, colour:, hex: colour.hex, position:} })
      @group
    end

    def words = "Kept #{count(@colours.size, "colour")} as the group #{@group.name}"
  end
end
