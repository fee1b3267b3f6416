module Changes
  # Makes what parts hold a step lighter, darker, or of another hue or chroma. What follows
  # a swatch leaves it and holds a colour of its own from then on; or the swatches are
  # changed, and all that follows them.
  class StepParts < Change
    include Ties

    WORDS = {"lighter" => "lighter", "darker" => "darker", "hue_back" => "a hue back", "hue_on" => "a hue on", "more_chroma" => "with more chroma", "less_chroma" => "with less chroma"}.freeze

    # @param numbers [Array<Integer>] of parts
    # @param role [String] "fill" or "line"
    # @param step [String] a key of WORDS
    # @param swatches [Boolean] are swatches changed, and not left?
    def initialize(project, artwork:, numbers:, role:, step:, swatches: false)
      super(project)
      raise Magpie::Error, "#{step[0, 40].inspect} is no step" unless WORDS.key?(step)
      @artwork, @numbers, @role, @step, @change_swatches = artwork, numbers, role, step, swatches
    end

    # @return [Array<Swatch>] that were left, or changed
    attr_reader :swatches

    # @return [Integer] how many places were given another colour, besides by their swatch
    attr_reader :given

    private

    def make
      followed, alone = places.partition(&:swatch)
      @swatches = followed.map(&:swatch).uniq.reject(&:paint)
      alone += followed.reject { |place| place.swatch.paint } unless @change_swatches
      alone.select! { |place| colour(place) }
      raise Magpie::Error, "There is no plain colour in the #{@role} of what is picked" if alone.empty? && (@swatches.empty? || !@change_swatches)
      change_swatches if @change_swatches
      alone.group_by { |place| stepped(colour(place)) }.each { |made, some| fill_places(own([@artwork], some.map(&:id)), made) }
      @given = alone.size
      self
    end

    def places = @artwork.places_of(@numbers).where(role: @role).includes(:swatch, :follow).order(:id).to_a

    def colour(place) = place.swatch ? place.swatch.colour : place.colour

    def change_swatches
      refuse_locked(@swatches)
      untie(@swatches.map(&:id))
      update_each(Swatch, @swatches.to_h { |swatch| [swatch.id, stepped(swatch.colour).then { |made| {colour: made, hex: made.hex, definition: nil} }] })
      run_through(@swatches)
    end

    def stepped(colour) = (@stepped ||= {})[colour] ||= Magpie::Making::Nudge.apply(colour, @step.to_sym)

    def words = "Made #{[("#{count(@given, "place")} of #{@artwork.name}" if @given > 0), (Magpie::Text.list(@swatches.first(3).map(&:name)) if @change_swatches && @swatches.any?)].compact.join(" and ")} #{WORDS[@step]}"
  end
end
