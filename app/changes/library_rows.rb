module Changes
  # The entries that a library gets from a file, as rows: of a newer version what is
  # settled about each that was there already. Texts and measurements that were changed
  # here since the older version came in stay as they are here.
  class LibraryRows
    TEXTS = %i[name code note kind page]

    # @return [Array<Hash>] columns of each, in their order
    attr_reader :rows
    # @return [Hash{Integer => Integer}] number of the row that an entry goes on as, by its id
    attr_reader :followed

    # @param value [Magpie::Palette]
    # @param meetings [Meetings, nil] of a newer version
    # @param choices [Hash{String => String}] see BringInLibrary
    def initialize(value, meetings = nil, library = nil, choices = {})
      @meetings, @choices = meetings, choices
      @rows, @followed = [], {}
      theirs(value)
      ours(library.entries.to_a) if library
    end

    private

    def theirs(value)
      hexes = Magpie::Screen.hexes(value.swatches.map(&:colour)).each
      value.groups.each_with_index do |group, g|
        section = Magpie::Library.section(value, group)
        group.swatches.each_with_index do |swatch, s|
          hex = hexes.next
          settle("#{g}.#{s}", section, swatch, hex) unless swatch.compound
        end
      end
    end

    def settle(key, section, swatch, hex)
      row = row(section, swatch, hex)
      meeting, same = @meetings && [@meetings.to_h[key], @meetings.same[key]]
      ours = same || meeting&.ours
      return @rows << row unless ours
      before, kept = @meetings.before(key), meeting && choice(meeting) == "ours"
      return @rows << row if meeting && choice(meeting) == "both"
      @followed[ours.id] = @rows.size
      @rows << row.merge(texts(ours, before), (kept || same && before) ? colours(ours, before, swatch, kept) : {})
    end

    def choice(meeting) = meeting.choices.key?(@choices[meeting.key]) ? @choices[meeting.key] : meeting.usual

    # What was written otherwise here than in the older version.
    def texts(ours, before)
      return {} unless before
      own = TEXTS.select { |field| ours[field].to_s != before[field].to_s }.to_h { |field| [field, ours[field]] }
      (ours.cell.to_s == before.position.to_s) ? own : own.merge(cell: ours.cell)
    end

    # Ours, where it was kept or differs from the older version; else theirs.
    def colours(ours, before, theirs, kept)
      mine = kept || !@meetings.alike?(ours, before)
      found = mine ? {**measured(ours.colour, ours.hex), spectrum: ours.spectrum&.to_h} : {}
      (before && before.inks != ours.inks) ? found.merge(inks: ours.inks) : found
    end

    # Entries that the file knows nothing of: added here, kept though they are gone, or both kept.
    def ours(entries)
      gone = @meetings.all.select { |meeting| meeting.kind == :gone && choice(meeting) == "theirs" }.to_set { |meeting| meeting.ours.id }
      entries.each do |entry|
        next if gone.include?(entry.id) || @followed.key?(entry.id)
        @followed[entry.id] = @rows.size
        @rows << row(entry.section, entry.value, entry.hex)
      end
    end

    def row(section, swatch, hex)
      {section:, name: [swatch.name, swatch.code].find(&:present?) || hex, code: swatch.code, note: swatch.note, kind: swatch.kind, page: swatch.page, cell: swatch.position,
       **measured(swatch.colour, hex), spectrum: swatch.spectrum&.to_h, inks: swatch.inks}
    end

    def measured(colour, hex) = {hex:, colour: colour.to_h, **%i[l a b].zip(colour.in(:lab)).to_h}
  end
end
