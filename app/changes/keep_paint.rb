module Changes
  # Keeps a gradient or pattern as a swatch, which parts that have it follow from then on, or
  # gives one that is there other inks.
  class KeepPaint < Change
    include Ties
    include Slots
    include Inking

    # @param paint [Magpie::Palette::Compound] its inks' colours are taken from the
    #   swatches that they follow
    # @param group [Group, nil] for a new one
    # @param swatch [Swatch, nil] to be changed
    # @param parts [Hash, nil] that follow it: artwork, numbers, role; and laid, by number,
    #   where it lies otherwise than their places say
    def initialize(project, paint:, group: nil, swatch: nil, name: "", parts: nil)
      super(project)
      @paint, @group, @swatch, @name, @parts = paint, group, swatch, Magpie::Text.name(name), parts
    end

    private

    def make
      @followed = followed(@paint)
      @paint = coloured(@paint, @followed)
      @swatch ? change : keep
      remove(Follow, @swatch.inks.reset.ids)
      create_all(Follow, @followed.map { |ink, swatch| {swatch_id: swatch.id, follower_id: @swatch.id, ink:} })
      run_through([@swatch])
      dress(**@parts) if @parts
      @swatch.reload
    end

    # In them it goes on lying as it does.
    def dress(artwork:, numbers:, role:, laid: nil)
      ids = own([artwork], artwork.places_of(numbers).where(role:).order(:id).ids)
      raise artwork.without_parts(numbers) if ids.empty?
      lying = Place.among(ids).joins(:part).pluck(:id, :laid, "parts.position").to_h { |id, held, number| [id, {laid: laid ? laid[number] : held}] }
      paint_places(ids, @swatch)
      update_each(Place, lying)
    end

    def keep
      name = free_names(@group, [@name.empty? ? "#{@paint.title.split.first} #{@paint.inks.size}" : @name]).first
      raise Magpie::Error, "#{@group.name} already has a swatch called #{@name}. Give this one another name" unless @name.empty? || name == @name
      @swatch = create(Swatch, group: @group, name:, paint: @paint, colour: @paint.colour, shared: true, position: next_position(Swatch.where(group: @group)))
    end

    def change
      refuse_locked([@swatch.lock!])
      raise Magpie::Error, "#{@swatch.name} is a plain colour" unless @swatch.paint
      @changed = true
      update(@swatch, paint: @paint, colour: @paint.colour)
    end

    def words = "#{@changed ? "Changed" : "Kept"} #{@swatch.name}#{" in #{@group.name}" if @group}"
  end
end
