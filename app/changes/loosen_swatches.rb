module Changes
  # Makes swatches loose. Every place that followed keeps the value it shows.
  class LoosenSwatches < Change
    include Ties
    include Slots

    def initialize(project, swatches:)
      super(project)
      @swatches = swatches.select(&:shared)
    end

    private

    def make
      raise Magpie::Error, "None of them is shared" if @swatches.empty?
      @places = Follow.of_places.where(swatch_id: @swatches.map(&:id)).count
      let_go(@swatches)
      update_all(Swatch, @swatches.map(&:id), shared: false)
    end

    def words = "Made #{named(@swatches)} loose, #{count(@places, "place")} #{(@places == 1) ? "keeps its" : "keep their"} value"
  end
end
