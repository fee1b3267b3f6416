module Changes
  # Brings a palette file in: as a new palette of the project, or into one that it
  # has, where each name that exists is settled as chosen.
  class BringInPalette < Change
    include Ties

    CHOICES = {"ours" => "keep ours", "theirs" => "take theirs", "both" => "keep both"}.freeze

    # @param value [Magpie::Palette]
    # @param into [Palette, nil] nil makes a new palette
    # @param choices [Hash{String => String}] "group index.swatch index" => one of CHOICES
    def initialize(project, value:, into: nil, choices: {})
      super(project)
      @value, @into, @choices = value, into, choices
      @kept, @taken = 0, {}
    end

    private

    def make
      @palette = @into || new_palette
      @value.groups.each_with_index { |group, index| bring_in_group(group, index) }
      take_theirs
      @palette
    end

    def new_palette
      palette = create(Palette, name: @value.name, note: @value.note)
      create(Use, project:, palette:, position: next_position(project.uses))
      palette
    end

    def bring_in_group(value, index)
      group = @palette.groups.find { |each| each.name.casecmp?(value.name) } if @into
      group ||= create(Group, palette: @palette, name: value.name, note: value.note, position: next_position(@palette.groups.reset))
      ours = group.swatches.index_by { |swatch| swatch.name.downcase }
      taken = ours.keys.to_set
      @first = next_position(group.swatches)
      slot = -1
      rows = value.swatches.each_with_index.filter_map do |swatch, at|
        existing = ours[swatch.name.downcase]
        settle(existing, swatch, @choices.fetch("#{index}.#{at}", "ours")) ? row(group, swatch, taken, slot += 1) : nil
      end
      @kept += create_all(Swatch, rows).size
    end

    # @return [Boolean] whether a swatch is to be added
    def settle(existing, swatch, choice)
      return true unless existing
      return true if choice == "both"
      return false if choice == "ours" || existing.colour == swatch.colour
      raise Magpie::Error, "#{existing.name} is locked. Unlock it first, or keep ours" if existing.locked
      @taken[existing] = swatch
      false
    end

    # Tints last: one that follows to what the file has for it stays tied.
    def take_theirs
      tints, others = @taken.keys.partition(&:tint_of)
      [others, tints].each do |ours|
        differing = ours.select { |existing| existing.reload.hex != @taken[existing].colour.hex || existing.colour != @taken[existing].colour && !existing.tint_of }
        differing.each { |existing| take(existing, @taken[existing]) }
        run_through(differing)
      end
      @kept += @taken.size
    end

    # What was a gradient or pattern becomes what the file has.
    def take(existing, swatch)
      untie([existing.id])
      update(existing, colour: swatch.colour, definition: swatch.definition, paint: swatch.compound)
    end

    def row(group, swatch, taken, at)
      name = swatch.name.empty? ? Magpie::ColorName.suggest(swatch.colour) : swatch.name
      name = Magpie::ColorName.unused(name, taken)
      taken << name.downcase
      {group_id: group.id, name:, note: swatch.note, colour: swatch.colour, paint: swatch.compound, definition: swatch.definition, code: swatch.code, kind: swatch.kind || "process",
       hex: swatch.colour.hex, shared: swatch.shared ? true : false, position: @first + at}
    end

    def words = "Brought #{count(@kept, "swatch")} into #{@palette.name}"
  end
end
