module Changes
  # What follows swatches, and what becomes of it when they change, go, or let go.
  # Included by changes, which record each step.
  module Following
    private

    # Tints are tied to their swatch, tints of tints to theirs; gradients and patterns
    # hold the colours of the swatches that their inks follow.
    def follow(parent)
      Swatch.where(tint_of_id: parent.id).lock.order(:id).each do |tint|
        update(tint, colour: Magpie::Making::Tints.tint(parent.colour, tint.tint))
        follow(tint)
      end
      Swatch.inked_with([parent.id]).lock.order(:id).each { |swatch| repaint(swatch, swatch.paint.following(parent.id, parent.colour)) }
    end

    def repaint(swatch, paint) = update(swatch, paint:, colour: paint.colour)

    # Every place keeps the value that it shows now and follows nothing.
    def freeze_places(swatches)
      swatches.each { |swatch| update_all(Place, swatch.places.ids, **Place.copying(swatch)) }
    end

    # What followed some swatches follows another from now on: places, tints, inks.
    def follow_instead(swatches, kept)
      ids = swatches.map(&:id)
      places = Place.where(swatch_id: ids).ids
      update_all(Place, places, swatch_id: kept.id) if kept.shared
      update_all(Place, places, **Place.copying(kept)) unless kept.shared
      retie(ids, kept)
      Swatch.inked_with(ids).lock.order(:id).each do |inked|
        paint = ids.reduce(inked.paint) { |made, id| made.following(id, kept.colour, to: kept.id) }
        repaint(inked, paint) unless ids.include?(inked.id)
      end
    end

    def retie(ids, kept)
      tints = Swatch.where(tint_of_id: ids).where.not(id: [*ids, kept.id]).lock.order(:id).to_a
      tints.each do |tint|
        update(tint, tint_of_id: kept.id, colour: Magpie::Making::Tints.tint(kept.colour, tint.tint))
        follow(tint)
      end
      untie_tints(ids) # a tint of itself is none
    end

    # Swatches go, and the runs that they stood in close up; empty slots that were
    # there stay.
    def take_out(swatches)
      close_up(swatches)
      remove(Swatch, swatches.map(&:id))
    end

    def close_up(leaving)
      leaving.group_by(&:group_id).each do |group_id, gone|
        positions = gone.map(&:position)
        later = Swatch.where(group_id:, position: positions.min..).where.not(id: gone.map(&:id)).pluck(:id, :position)
        later.group_by { |_, position| positions.count { |left| left < position } }.each { |by, rows| shift(Swatch, rows.map(&:first), -by) if by > 0 }
      end
    end

    # Tints and inks stay as they are and follow nothing any more.
    def untie(ids)
      untie_tints(ids)
      Swatch.inked_with(ids).where.not(id: ids).lock.order(:id).each do |inked|
        update(inked, paint: ids.reduce(inked.paint) { |made, id| made.inks.find { |ink| ink.swatch == id }&.then { |ink| made.following(id, ink.colour, to: nil) } || made })
      end
    end

    def untie_tints(ids) = update_all(Swatch, Swatch.where(tint_of_id: ids).ids, tint_of_id: nil, tint: nil)

    # @raise [Magpie::Error] naming those that are locked
    def refuse_locked(swatches)
      locked = swatches.select(&:locked)
      raise Magpie::Error, "#{Magpie::Text.list(locked.first(5).map(&:name))} #{(locked.size == 1) ? "is" : "are"} locked. Unlock first" if locked.any?
    end

    # Names for newcomers of a group, none of which is there yet.
    def free_names(group, names, without: [])
      taken = Swatch.where(group:).where.not(id: without).pluck(:name).map(&:downcase).to_set
      names.map { |name| Magpie::ColorName.unused(name, taken).tap { |free| taken << free.downcase } }
    end

    # "Ember sky" or "7 swatches"
    def named(swatches) = (swatches.size == 1) ? swatches.first.name : count(swatches.size, "swatch")
  end
end
