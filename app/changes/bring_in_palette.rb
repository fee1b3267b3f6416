module Changes
  # Brings a palette file in: as a new palette of the project, or into one that it
  # has, where each name that exists is settled as chosen.
  class BringInPalette < Change
    CHOICES = {"ours" => "keep ours", "theirs" => "take theirs", "both" => "keep both"}.freeze

    # @param value [Magpie::Palette]
    # @param into [Palette, nil] nil makes a new palette
    # @param choices [Hash{String => String}] "group index.swatch index" => one of CHOICES
    def initialize(project, value:, into: nil, choices: {})
      super(project)
      @value, @into, @choices = value, into, choices
      @kept = 0
    end

    private

    def make
      @palette = @into || new_palette
      @value.groups.each_with_index { |group, index| bring_in_group(group, index) }
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
      update(existing, colour: swatch.colour, definition: swatch.definition)
      @kept += 1
      false
    end

    def row(group, swatch, taken, at)
      name = swatch.name.empty? ? Magpie::ColorName.suggest(swatch.colour) : swatch.name
      name = Magpie::ColorName.unused(name, taken)
      taken << name.downcase
      {group_id: group.id, name:, note: swatch.note, colour: swatch.colour, definition: swatch.definition, code: swatch.code, kind: swatch.kind || "process",
       hex: swatch.colour.hex, shared: swatch.shared ? true : false, position: @first + at}
    end

    def words = "Brought #{count(@kept, "swatch")} into #{@palette.name}"
  end
end
