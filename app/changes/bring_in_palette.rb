module Changes
  # Brings a palette file in: as a new palette of the project, or into one that it
  # has, where each thing that is there already is settled as chosen (see Meetings).
  class BringInPalette < Change
    include Ties
    include Slots

    AT_ONCE = 2_500 # swatches between two words about how far it is

    # @param value [Magpie::Palette]
    # @param into [Palette, nil] nil makes a new palette
    # @param before [Magpie::Palette, nil] what came in of an older version of the file
    # @param choices [Hash{String => String}] key of a meeting => one of its choices; others are settled as usual
    # @param told [Proc, nil] is told how many swatches are done, and of how many; may raise,
    #   and then nothing came in
    def initialize(project, value:, into: nil, before: nil, choices: {}, told: nil)
      super(project)
      @value, @into, @before, @choices, @told = value, into, before, choices, told
      @kept, @taken, @placed = 0, {}, {}
    end

    private

    def make
      @meetings = Meetings.new(@value, @into, before: @before)
      @palette = @into || new_palette
      @groups = groups
      newcomers = settle
      bring_in(newcomers)
      tie(newcomers)
      take_theirs
      remove_gone
      @palette
    end

    def new_palette
      palette = create(Palette, name: @value.name, note: @value.note)
      create(Use, project:, palette:, position: next_position(project.uses))
      palette
    end

    # By name, or new ones.
    # @return [Array<Group>]
    def groups
      there = @into ? @palette.groups.to_a : []
      position = next_position(@palette.groups.reset)
      @value.groups.each_with_index.map do |value, index|
        there.find { |each| each.name.casecmp?(value.name) } || create(Group, palette: @palette, name: value.name, note: value.note, position: position + index)
      end
    end

    # @return [Array<[Array<Integer>, Magpie::Palette::Swatch]>] what is to be added, by address
    def settle
      @value.addressed.select { |(g, s), swatch| added?("#{g}.#{s}", [g, s], swatch) }
    end

    def added?(key, address, swatch)
      meeting, same = @meetings.to_h[key], @meetings.same[key]
      return same.nil? || !(@placed[address] = same.id) unless meeting
      choice = choice(meeting)
      return true if choice == "both"
      @placed[address] = meeting.ours.id
      @taken[meeting.ours] = [meeting, swatch] if choice == "theirs"
      false
    end

    def choice(meeting) = meeting.choices.key?(@choices[meeting.key]) ? @choices[meeting.key] : meeting.usual

    def bring_in(newcomers)
      rows = rows(newcomers)
      newcomers.each_slice(AT_ONCE).zip(rows.each_slice(AT_ONCE)) do |some, some_rows|
        create_all(Swatch, some_rows).zip(some) { |id, (address, _)| @placed[address] = id }
        @told&.call(@kept += some.size, newcomers.size)
      end
      @kept = newcomers.size
    end

    def rows(newcomers)
      hexes = Magpie::Screen.hexes(newcomers.map { |_, swatch| swatch.colour })
      names, positions = Hash.new { |all, group| all[group] = Names.of(group) }, Hash.new { |all, group| all[group] = next_position(Swatch.where(group:)) }
      newcomers.zip(hexes).map do |((g, _), swatch), hex|
        group = @groups[g]
        position = positions[group.id]
        positions[group.id] += 1
        {group_id: group.id, name: names[group].free(swatch, hex), note: swatch.note, colour: swatch.colour, paint: swatch.compound, definition: swatch.definition, code: swatch.code,
         kind: swatch.kind || "process", hex:, shared: swatch.shared ? true : false, position:}
      end
    end

    # Tints and inks follow what the file has for it, where that makes the colour that they have.
    def tie(newcomers)
      follows = newcomers.flat_map { |address, swatch| FileTies.of(@value, address, swatch).filter_map { |tie| tie.row(@placed) } }
      return if follows.empty?
      parents = Swatch.where(id: follows.map { |row| row[:swatch_id] }, paint: nil).order(:id).to_a
      share(parents)
      create_all(Follow, follows.select { |row| parents.any? { |parent| parent.id == row[:swatch_id] } })
      run_through(parents)
    end

    # Tints last: one that follows to what the file has for it stays tied.
    def take_theirs
      refuse_locked(@taken.keys)
      tints, others = @taken.keys.partition(&:tint_of)
      [others, tints].each do |ours|
        differing = ours.select { |each| each.reload.hex != @taken[each][1].colour.hex || each.colour != @taken[each][1].colour && !each.tint_of || each.paint }
        differing.each { |each| take(each, @taken[each][1]) }
        run_through(differing)
      end
      rename
      @kept += @taken.size
    end

    # What was a gradient or pattern becomes what the file has.
    def take(ours, theirs)
      untie([ours.id])
      update(ours, colour: theirs.colour, definition: theirs.definition, paint: theirs.compound)
    end

    # The same value under another name: theirs is the name.
    def rename
      @taken.each { |ours, (meeting, theirs)| update(ours, name: free_names(ours.group, [theirs.name], without: [ours.id]).first) if meeting.kind == :value && !theirs.name.empty? }
    end

    def remove_gone
      gone = @meetings.all.select { |meeting| meeting.kind == :gone && choice(meeting) == "theirs" }.map(&:ours)
      return if gone.empty?
      refuse_locked(gone)
      let_go(gone)
      take_out(gone.map(&:reload))
      @gone = gone.size
    end

    def words = "Brought #{count(@kept, "swatch")} into #{@palette.name}#{", removed #{@gone}" if @gone}"
  end
end
