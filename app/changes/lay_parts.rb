module Changes
  # The gradient or pattern of parts lies otherwise in them. What it is made of, and what it
  # follows, stays.
  class LayParts < Change
    include OfParts

    # @param laid [Magpie::Artwork::Placing, Magpie::Artwork::Tiling, nil] nil: as usual
    # @param kind [String] what lies so: "gradient" or "pattern"
    def initialize(project, laid:, kind: "gradient", **given)
      super(project, **given)
      @laid, @kind = laid, kind
    end

    private

    def make
      ids = found_places
      @rows.standing_on(Artwork, [@artwork.id])
      update_all(Place, ids, laid: @laid, outfit_id: nil)
    end

    def words = "Laid the #{@kind} of #{"the line of " if @role == "line"}#{parts} #{@laid ? "otherwise" : "as usual"}"
  end
end
