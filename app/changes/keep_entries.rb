module Changes
  # Puts entries of libraries into a group: by their names, with their codes, as spot colours
  # where they have one.
  class KeepEntries < Change
    MOST = 1_000

    # @param entries [Array<Entry>] in the order in which they stand
    def initialize(project, group:, entries:)
      super(project)
      @group, @entries = group, entries
    end

    private

    def make
      raise Magpie::Error, "There is nothing to keep: select an entry or more" if @entries.empty?
      raise Magpie::Error, "#{@entries.size} entries at once: the limit is #{MOST}" if @entries.size > MOST
      names = Swatch.where(group: @group).pluck(:name)
      first = next_position(Swatch.where(group: @group))
      create_all(Swatch, @entries.map.with_index(first) { |entry, position| row(entry, position, names) })
      @group
    end

    def row(entry, position, names)
      names << Magpie::ColorName.unused(entry.name, names)
      {group_id: @group.id, name: names.last, colour: entry.colour, hex: entry.hex, **entry.kept, position:}
    end

    def words = "Kept #{(@entries.size == 1) ? @entries.first.name : count(@entries.size, "entry")} in #{@group.name}"
  end
end
