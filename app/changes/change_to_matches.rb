module Changes
  # Gives swatches the colours of what they are matched to, and notes the entries of libraries
  # among those.
  class ChangeToMatches < ChangeSwatches
    # @param matches [Hash{Swatch => (Entry, #colour)}]
    # @param saw [Hash{Swatch => String}] hexes that the person saw
    def initialize(project, matches:, saw: {})
      super(project, colours: matches.transform_values(&:colour), what: "", saw:)
      @matches = matches
    end

    private

    def make
      swatches = super
      noted = @matches.select { |_, match| match.is_a?(Entry) }
      ids = noted.values.map(&:id).uniq
      raise Magpie::Error, "An entry is in no library any longer. Nothing was changed. Look again" unless actor.entries.where(id: ids).count == ids.size
      @rows.standing_on(Library, noted.values.map(&:library_id).uniq) if noted.any?
      update_each(Swatch, noted.to_h { |swatch, entry| [swatch.id, NoteMatches.noted(swatch, entry)] }) if noted.any?
      swatches
    end

    def words
      swatch, match = @matches.first
      return "Changed #{swatch.name} to #{match.is_a?(Entry) ? match.in_words : match.name}" if @matches.size == 1
      "Changed #{count(@matches.size, "swatch")} to their matches"
    end
  end
end
