module Changes
  # Notes entries of libraries as the matches of swatches: their colours stay, and their codes
  # go wherever they go. Nil takes the note away, with the code that came with it.
  class NoteMatches < Change
    # @param matches [Hash{Swatch => Entry, nil}]
    def initialize(project, matches:)
      super(project)
      @matches = matches
    end

    # What is written of a swatch that matches an entry.
    # @param swatch [Swatch] as it is
    # @param entry [Entry, nil]
    # @return [Hash] columns
    def self.noted(swatch, entry)
      return {entry_id: entry.id, code: entry.code} if entry
      {entry_id: nil, code: (swatch.code unless swatch.code == swatch.entry&.code)}
    end

    private

    def make
      raise Magpie::Error, "There is nothing to note" if @matches.empty?
      swatches = Swatch.lock.where(id: @matches.keys.map(&:id)).order(:id).index_by(&:id)
      raise Magpie::Error, "A swatch was removed meanwhile. Look at the palette again" unless swatches.size == @matches.size
      stand_on_entries
      update_each(Swatch, @matches.to_h { |swatch, entry| [swatch.id, NoteMatches.noted(swatches[swatch.id], entry)] })
      swatches.values
    end

    # Of editions that stand: a newer one may have come meanwhile.
    def stand_on_entries
      entries = @matches.values.compact.uniq
      gone = entries.map(&:id) - actor.entries.where(id: entries.map(&:id)).pluck(:id)
      raise Magpie::Error, "#{entries.find { |entry| gone.include?(entry.id) }.in_words} is in no library any longer. Look again" if gone.any?
      @rows.standing_on(Library, entries.map(&:library_id).uniq)
    end

    def words
      swatch, entry = @matches.first
      return entry ? "Noted #{entry.in_words} as the match of #{swatch.name}" : "Took the match of #{swatch.name} away" if @matches.size == 1
      "Noted the matches of #{@matches.size} swatches"
    end
  end
end
