module Changes
  # Brings a file in as a library to match against, or as a newer version of one: then
  # each entry that it changes is settled as chosen (see Meetings), and its entries are a new
  # edition, so that one undo gives the older one back.
  class BringInLibrary < Change
    AT_ONCE = 2_500 # entries between two words about how far it is
    COLUMNS = %w[library_id edition position section name code note kind page cell hex colour l a b spectrum inks].join(", ")

    # @param value [Magpie::Palette]
    # @param about [Hash{Symbol => String}] of Library::FIELDS, where somebody said something else than the file
    # @param file [Hash] its name as :file, and :sha256
    # @param into [Library, nil] of which it is a newer version; nil makes a library
    # @param before [Magpie::Palette, nil] what came in of the older version
    # @param choices [Hash{String => String}] key of a meeting => one of its choices; others are settled as usual
    # @param told [Proc, nil] is told how many entries are done, and of how many; may raise,
    #   and then nothing came in
    def initialize(project, value:, about: {}, file: {}, into: nil, before: nil, choices: {}, told: nil)
      super(project)
      @value, @file, @into, @before, @choices, @told = value, file, into, before, choices, told
      @about = said_of(value).merge(about.slice(*Library::FIELDS.keys).compact.to_h { |field, text| [field, written(field, text)] })
    end

    private

    # What is new stands on nobody's rows, so that nobody waits for it.
    def lock = @into ? super : actor.projects.lock.find(project.id)

    def prepare
      raise Magpie::Error, "There is no colour in it that a library could hold" if @value.swatches.all?(&:compound)
      @list = LibraryRows.new(@value) unless @into
    end

    def make
      @library = @into ? newer : bring_in(Library, name: Magpie::ColorName.unused(@about[:name] || "Library", actor.libraries.pluck(:name)), **@about.except(:name), **@file)
      write
      @into ? move_notes : @library
    end

    def newer
      library = actor.libraries.lock.find(@into.id)
      @list = LibraryRows.new(@value, Meetings.new(@value, library, before: @before), library, @choices)
      update(library, edition: Entry.where(library_id: library.id).maximum(:edition).to_i + 1, **@file, **newer_texts(library))
      library
    end

    # What the file says of itself, where nobody wrote something else here. A library keeps
    # its name: that of a file is often the file's.
    def newer_texts(library)
      before = @before ? said_of(@before) : {}
      said_of(@value).except(:name).select { |field, text| text && [nil, before[field]].include?(library[field]) }
    end

    def said_of(value) = Library::FIELDS.keys.to_h { |field| [field, written(field, value[field])] }

    def written(field, text) = Magpie::Text.name(text.to_s, longest: Library::FIELDS[field]).presence

    def write
      done = 0
      @list.rows.each_slice(AT_ONCE) do |rows|
        given = JSON.generate(rows.map.with_index(done + 1) { |row, position| {library_id: @library.id, edition: @library.edition, position:, **row} })
        Record.connection.execute("INSERT INTO entries (#{COLUMNS}) SELECT #{COLUMNS} FROM jsonb_populate_recordset(NULL::entries, #{Record.connection.quote(given)}::jsonb)")
        done += rows.size
        @told&.call(done, @list.rows.size)
      end
    end

    # What is noted with an entry is noted with the same one of the newer version.
    def move_notes
      noted = Swatch.where(entry_id: @list.followed.keys).order(:id).pluck(:id, :entry_id)
      entries = @library.entries.where(position: noted.map { |_, entry| @list.followed[entry] + 1 }).pluck(:position, :id).to_h
      update_each(Swatch, noted.to_h { |id, entry| [id, {entry_id: entries.fetch(@list.followed[entry] + 1)}] })
      @library
    end

    def words = "#{@into ? "Brought a newer version of" : "Brought in the library"} #{@library.name}, #{count(@list.rows.size, "entry")}"
  end
end
