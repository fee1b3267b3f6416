module Changes
  # What is done to a library that stands. Its texts are changed one by one: what somebody
  # else changed meanwhile stays, or is told where it is the same text.
  module OfLibrary
    private

    # The library as it is now, which nobody takes away meanwhile.
    # @return [Library]
    # @raise [ActiveRecord::RecordNotFound]
    def standing
      library = actor.libraries.lock.find(@library.id)
      @rows.standing_on(Library, [library.id])
      library
    end

    # @param entry [Entry]
    # @return [Entry] as it is now
    # @raise [Magpie::Error] where it is of an older edition
    def listed(entry)
      @library.entries.lock.find_by(id: entry.id) || raise(Magpie::Error, "A newer version of #{@library.name} came in meanwhile. Nothing was changed. Look at #{entry.in_words} there")
    end

    # @param limits [Hash{Symbol => Integer}] the texts that there are, and characters of each
    # @param fields [Hash] texts as they were given
    # @param saw [Hash] and as they were shown
    # @return [Hash{Symbol => String, nil}] those that change
    # @raise [Magpie::Error]
    def texts(record, limits, fields, saw)
      limits.keys.filter_map { |field| text(record, field, fields, saw, limits[field]) if fields.key?(field.to_s) }.to_h
    end

    def text(record, field, fields, saw, longest)
      mine, seen, theirs = [fields, saw].map { |each| each[field.to_s] && Magpie::Text.name(each[field.to_s], longest:) } + [record[field].to_s]
      return if mine == theirs || mine == seen
      raise Magpie::Error, "#{record.name} was changed meanwhile: its #{field} was #{shown(seen)} when you looked, and is #{shown(theirs)} now. You wanted #{shown(mine)}" if seen && seen != theirs
      [field, mine.presence]
    end

    def shown(text) = text.empty? ? "empty" : text
  end
end
