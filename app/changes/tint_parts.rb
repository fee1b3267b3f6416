module Changes
  # What parts follow, they follow as a tint by per cent from now on; 100 is the swatch
  # itself. The tint of a swatch is made where there is none yet.
  class TintParts < Change
    include OfParts
    include Ties
    include Tinting

    # @param percent [Float] 1 to 100
    def initialize(project, percent:, **given)
      super(project, **given)
      @percent = percent
    end

    private

    def make
      followed = Follow.of_places.where(place_id: found_places).order(:id).pluck(:swatch_id, :place_id).group_by(&:first).transform_values { |rows| rows.map(&:last) }
      raise Magpie::Error, "Nothing that is picked follows a swatch there" if followed.empty?
      @parents = followed.keys.map { |id| parent_of(id) }
      followed.values.zip(@parents) { |ids, parent| paint_places(ids, tint_of(parent, @percent)) }
    end

    def words = "Tinted #{Magpie::Text.list(@parents.uniq.first(3).map(&:name))} to #{@percent.round} % in #{"the line of " if @role == "line"}#{parts}"
  end
end
