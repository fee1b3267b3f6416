module Changes
  # Changes what is written about a library: its name, its maker's note, what its colours
  # were measured on, the licence.
  class EditLibrary < Change
    include OfLibrary

    # @param fields [Hash{String => String}] of Library::FIELDS
    # @param saw [Hash{String => String}] what the person saw there
    def initialize(project, library:, fields:, saw: {})
      super(project)
      @library, @fields, @saw = library, fields, saw
    end

    private

    def make
      @library = standing
      changed = texts(@library, Library::FIELDS, @fields, @saw)
      raise Magpie::Error, "A library needs a name" if changed.key?(:name) && changed[:name].nil?
      @was, @told = @library.name, changed.keys
      changed.any? ? update(@library, **changed) : @rows = Rows.new
      @library
    end

    def words = @told.include?(:name) ? "Renamed #{@was} to #{@library.name}" : "Changed the #{Magpie::Text.list(@told.map(&:to_s))} of #{@library.name}"
  end
end
