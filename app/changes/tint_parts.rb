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
      followed.values.zip(@parents) { |ids, parent| paint_places(ids, swatch_for(parent)) }
    end

    # What a tint is made of; another swatch itself.
    def parent_of(id) = Swatch.find(Follow.where(follower_id: id).where.not(tint: nil).pick(:swatch_id) || id)

    # @return [Swatch] the parent, a tint of it that is there, or one that is made
    def swatch_for(parent)
      return parent.tap { share([parent]) } if @percent >= 100
      there = Swatch.where(id: Follow.where(swatch_id: parent.id, tint: @percent).where.not(follower_id: nil).select(:follower_id)).order(:id).first
      there ? there.tap { share([there]) } : make_tint(parent, @percent).tap { |made| share([made]) }
    end

    def words = "Tinted #{Magpie::Text.list(@parents.uniq.first(3).map(&:name))} to #{@percent.round} % in #{"the line of " if @role == "line"}#{parts}"
  end
end
