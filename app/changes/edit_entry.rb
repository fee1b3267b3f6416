module Changes
  # Changes an entry of a library: its texts, its value, its press values; or adds one.
  class EditEntry < Change
    include OfLibrary

    # @param entry [Entry, nil] nil adds one at the end
    # @param fields [Hash{String => String}] of Entry::FIELDS
    # @param saw [Hash{String => String}] what the person saw there
    # @param colour [Magpie::Color, nil] nil leaves it as it is
    # @param inks [Array<Float>, nil, false] in per cent; false leaves them as they are
    def initialize(project, library:, entry: nil, fields: {}, saw: {}, colour: nil, inks: false)
      super(project)
      @library, @entry, @fields, @saw, @colour, @inks = library, entry, fields, saw, colour, inks
    end

    private

    def make
      @library = standing
      @added = @entry.nil?
      entry = @entry ? listed(@entry) : Entry.new(name: "")
      changed = texts(entry, Entry::FIELDS, @fields, @saw).merge(colours(entry))
      @was, @told = entry.name, changed.keys
      raise Magpie::Error, "An entry needs a name" if (changed.key?(:name) || @added) && changed[:name].nil?
      return @entry = add(changed) if @added
      changed.any? ? update(entry, **changed) : @rows = Rows.new
      @entry = entry
    end

    # A spectrum is no longer what another value was measured as.
    def colours(entry)
      changed = {}
      changed.update(**Entry.measured(@colour), spectrum: nil) if @colour && @colour != entry.colour
      changed[:inks] = @inks unless @inks == false || @inks == entry.inks
      changed
    end

    def add(fields)
      raise Magpie::Error, "A library has #{Magpie::Formats::MOST_SWATCHES} entries at most" if @library.entries.count >= Magpie::Formats::MOST_SWATCHES
      last = @library.entries.reorder(:position, :id).last
      create(Entry, section: last&.section, **fields, library_id: @library.id, edition: @library.edition, position: last&.position.to_i + 1)
    end

    def words
      return "Added #{@entry.name} to #{@library.name}" if @added
      return "Renamed #{@was} to #{@entry.name} in #{@library.name}" if @told.include?(:name)
      told = {colour: "value", inks: "press values", **%i[hex spectrum l a b].to_h { |column| [column, nil] }}
      "Changed the #{Magpie::Text.list(@told.filter_map { |field| told.fetch(field) { field.to_s } })} of #{@entry.name} in #{@library.name}"
    end
  end
end
