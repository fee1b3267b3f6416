module Changes
  # Names a colourway and notes something about it; also the first.
  class EditColourway < Change
    include OfColourway

    def initialize(project, name:, note: "", **given)
      super(project, **given)
      @name, @note = Magpie::Text.name(name, longest: 120), Magpie::Text.name(note, longest: 500)
    end

    private

    def make
      raise Magpie::Error, "A colourway needs a name" if @name.empty?
      @was = @artwork.colourway
      update(@artwork, colourway: @name, note: @note)
    end

    def words = (@was == @name) ? "Noted something about #{@name}" : "Renamed the colourway #{@was} to #{@name}"
  end
end
