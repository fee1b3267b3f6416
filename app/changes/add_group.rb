module Changes
  # Adds an empty group at the end of a palette.
  class AddGroup < Change
    def initialize(project, palette:, name:)
      super(project)
      @palette, @name = palette, Magpie::Text.name(name)
    end

    private

    def make
      raise Magpie::Error, "A group needs a name" if @name.empty?
      raise Magpie::Error, "#{@palette.name} already has a group called #{@name}" if Group.where(palette: @palette).any? { |group| group.name.casecmp?(@name) }
      create(Group, palette: @palette, name: @name, position: next_position(@palette.groups))
    end

    def words = "Added the group #{@name} to #{@palette.name}"
  end
end
