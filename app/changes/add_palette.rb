module Changes
  # A new palette of the house, which the project uses from now on.
  class AddPalette < Change
    def initialize(project, name:, note: "", tags: "")
      super(project)
      @name, @note, @tags = Magpie::Text.name(name), Magpie::Text.name(note, longest: 500), EditPalette.tags(tags)
    end

    private

    def make
      raise Magpie::Error, "A palette needs a name" if @name.empty?
      @palette = create(Palette, name: @name, note: @note.presence, tags: @tags)
      create(Use, project:, palette: @palette, position: next_position(project.uses))
      create(Group, palette: @palette, name: "First colours", position: 1)
      @palette
    end

    def words = "Added the palette #{@name}"
  end
end
