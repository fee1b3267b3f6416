module Changes
  # Names a group, notes something about it, or moves it among the groups of its palette.
  class EditGroup < Change
    # @param by [Integer, nil] -1 moves it up, 1 down
    def initialize(project, group:, name: nil, note: nil, by: nil)
      super(project)
      @group, @by, @was = group, by, group.name
      @columns = {name: name && Magpie::Text.name(name), note: note && Magpie::Text.name(note, longest: 300).presence}.select { |column, _| {name:, note:}[column] }
    end

    private

    def make
      return move if @by
      raise Magpie::Error, "A group needs a name" if @columns[:name] == ""
      raise Magpie::Error, "#{@group.palette.name} already has a group called #{@columns[:name]}" if @columns[:name] && others.any? { |group| group.name.casecmp?(@columns[:name]) }
      update(@group, **@columns)
      @group
    end

    def others = Group.where(palette_id: @group.palette_id).where.not(id: @group.id)

    def move
      groups = @group.palette.groups.to_a
      other = groups[groups.index(@group) + @by] if groups.index(@group) + @by >= 0
      return @group unless other
      order = groups.dup.tap { |list| list.insert(groups.index(other), list.delete(@group)) }
      order.each.with_index(1) { |group, position| update(group, position:) unless group.position == position }
      @group
    end

    def words
      return "Moved the group #{@group.name}" if @by
      (@was == @group.name) ? "Changed the note of #{@group.name}" : "Renamed the group #{@was} to #{@group.name}"
    end
  end
end
