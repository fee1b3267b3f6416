module Changes
  # Names a source and notes something about it.
  class EditSource < Change
    include OfProject

    def initialize(project, source:, name:, note: "")
      super(project)
      @source, @name, @note = source, Magpie::Text.name(name, longest: 120), Magpie::Text.name(note, longest: 500)
    end

    private

    def make
      raise Magpie::Error, "A source needs a name" if @name.empty?
      @was = @source.name
      update(@source, name: @name, note: @note)
    end

    def words = (@was == @name) ? "Noted something about #{@name}" : "Renamed #{@was} to #{@name}"
  end
end
