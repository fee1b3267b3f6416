module Changes
  # What follows swatches, and what becomes of it when they change, go, or let go.
  # Included by changes that touch the graph; each step is recorded.
  module Ties
    include Colourways
    include Remembering

    private

    # Runs the values that swatches have now through all that follows them.
    # @param swatches [Array<Swatch>] written already
    def run_through(swatches)
      moved = Following::Flow.new(swatches.map(&:id)).moved
      moved.swatches.partition(&:paint).each { |held| rewrite(moved.were.values_at(*held.map(&:id)), held) }
      update_each(Place, moved.places)
    end

    # Only what is shared is followed.
    def share(swatches)
      found = Swatch.where(id: swatches.map(&:id)).pluck(:id, :shared)
      raise Rows::Gone unless found.size == swatches.uniq.size
      update_all(Swatch, found.reject(&:last).map(&:first), shared: true)
    end

    # Places are painted with a shared swatch from now on.
    def paint_places(ids, swatch)
      return if ids.empty?
      remember_paints(ids)
      clear_places(ids)
      update_all(Place, ids, **Place::PAINTED)
      create_all(Follow, ids.map { |id| {place_id: id, swatch_id: swatch.id} })
    end

    # Places hold a value of their own: a colour, or what a swatch holds now. The inks
    # of a gradient or pattern go on following.
    # @param value [Magpie::Color, Swatch, nil] nil clears them
    # @param alike [Boolean] do they stay as they are: wear what they wear, and a gradient lies
    #   as it lies?
    def fill_places(ids, value, alike: false)
      return if ids.empty?
      remember_paints(ids) unless alike
      clear_places(ids)
      update_all(Place, ids, **(value ? Place.copying(value) : Place::EMPTY).except(*(%i[outfit_id laid] if alike)))
      inks = value.is_a?(Swatch) ? value.inks.pluck(:ink, :swatch_id) : []
      create_all(Follow, ids.flat_map { |id| inks.map { |ink, swatch_id| {place_id: id, swatch_id:, ink:} } })
    end

    # Places are given what is in hand: they follow a shared swatch, and copy anything else.
    # @param content [Hand::Content, nil] nil clears them
    def give(ids, content)
      swatch = Swatch.find_by(id: content.swatch_id) if content&.swatch_id
      swatch&.shared ? paint_places(ids, swatch) : fill_places(ids, swatch || content&.colour)
    end

    # Places of artworks that hold exactly a colour, and follow nothing.
    # @return [Array<Integer>] ids
    def strays(artworks, hex) = own(artworks, holding(artworks, hex))

    # Places that artworks show, and that follow a swatch or hold a stray colour, as these are.
    # @param from [Swatch, Integer, String] a swatch or its id; or a hex
    # @return [Array<Integer>] ids, not all of them the artworks' own
    def holding(artworks, from)
      shown = Artwork.open_places(artworks)
      (from.is_a?(String) ? shown.where(hex: from) : shown.following(from)).order(:id).ids
    end

    # @param links [Hash{String => Swatch}] by hex
    # @return [Integer] how many places follow now
    def link(artworks, links) = links.sum { |hex, swatch| strays(artworks, hex).tap { |ids| paint_places(ids, swatch) }.size }

    def clear_places(ids)
      @rows.standing_on(Artwork, Place.where(id: ids).where.not(artwork_id: nil).distinct.pluck(:artwork_id))
      remove(Follow, Follow.where(place_id: ids).ids)
    end

    # A swatch follows nothing any more: it has a value of its own.
    def untie(ids) = remove(Follow, Follow.where(follower_id: ids).ids)

    # Nothing follows these swatches any more. Every place keeps the value that it
    # shows, every tint and ink the one that it has; so do outfits, and are worn as before.
    def let_go(swatches)
      places = Follow.of_places.where(swatch_id: swatches.map(&:id)).order(:id).pluck(:swatch_id, :place_id).group_by(&:first)
      Swatch.where(id: places.keys).includes(:inks).order(:id).each { |swatch| fill_places(places[swatch.id].map(&:last), swatch, alike: true) } # as this change left them
      remove(Follow, Follow.where(swatch_id: swatches.map(&:id)).ids)
    end

    # What followed some swatches follows another from now on: places, tints, inks. Where
    # that would close a circle, the one that stays lets go; and nothing is made from a
    # gradient or pattern, which has no one colour.
    # @param gone [Array<Swatch>]
    # @param kept [Swatch]
    def lead_over(gone, kept)
      ids, kept = gone.map(&:id), Swatch.find(kept.id)
      share([kept]) if Swatch.exists?(id: ids, shared: true)
      circle = ids | Following::Graph.below(ids).followers
      remove(Follow, Follow.where(follower_id: kept.id, swatch_id: circle).ids)
      untie(ids) # what goes follows nothing, least of all what it becomes
      led = Follow.where(swatch_id: ids)
      remove(Follow, led.of_values.ids) if kept.paint
      update_all(Follow, led.reset.ids, swatch_id: kept.id)
      run_through([kept])
    end

    # Swatches go, and the runs that they stood in close up; empty slots that were
    # there stay. Nothing may follow them.
    def take_out(swatches)
      close_up(swatches)
      untie(swatches.map(&:id))
      remove(Swatch, swatches.map(&:id))
    end

    # @raise [Magpie::Error] naming those that are locked
    def refuse_locked(swatches)
      locked = swatches.select(&:locked)
      raise Magpie::Error, "#{Magpie::Text.list(locked.first(5).map(&:name))} #{(locked.size == 1) ? "is" : "are"} locked. Unlock first" if locked.any?
    end
  end
end
