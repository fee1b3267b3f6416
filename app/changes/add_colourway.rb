module Changes
  # Begins a colourway that looks like another one, or like the first.
  class AddColourway < Change
    include OfColourway

    MOST = 60 # of one artwork

    # @param artwork [Artwork] that it looks like
    # @param name [String] empty for one that is free
    def initialize(project, name: "", note: "", **given)
      super(project, **given)
      @name, @note = Magpie::Text.name(name, longest: 120), Magpie::Text.name(note, longest: 500)
    end

    private

    def make
      raise Magpie::Error, "#{first.name} has #{MOST} colourways, which is the limit" if others.count >= MOST - 1
      @rows.standing_on(Artwork, [first.id, @artwork.id].uniq)
      shared = first.attributes.slice("project_id", "name", "original", "template", "width", "height", "part_count", "dropped")
      @made = bring_in(Artwork, **shared.symbolize_keys, first_id: first.id, colourway: name, note: @note, position: next_position(others))
      copy(differing) if @artwork.colourway?
      @made
    end

    # Not recorded one by one: undo hides the colourway with them.
    def copy(ids)
      Copies.of_places(ids, @made.id)
      Copies.of_follows(ids, @made.id)
      Copies.stand(@rows, [@made.id])
    end

    def name = Magpie::ColorName.unused(@name.empty? ? "Colourway #{others.count + 2}" : @name, [first, *others].map(&:colourway))

    def words = "Added the colourway #{@made.colourway} of #{first.name}"
  end
end
