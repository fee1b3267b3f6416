module Changes
  # The columns of a find, from reading its picture.
  module Reading
    module_function

    # @param readable [Readable]
    # @param aim [Aim]
    # @return [Hash]
    # @raise [Magpie::Error] where there is no colour
    def columns(readable, aim)
      reading = aim.read(Seen.new(readable).picture)
      raise Magpie::Error, "#{reading.at.join(", ")} is transparent in #{readable.name}: there is no colour to read" unless reading.average
      x, y = reading.at
      {**from(readable), **aim.columns, x:, y:, **colours(reading), name: Magpie::ColorName.suggest(reading.average)}
    end

    # What lies now at the place where a find was read.
    # @return [Magpie::Color, nil] none where there is no colour any more
    def again(find)
      columns(find.readable, Aim.of_find(find)).fetch((find.chosen == "most_common") ? :most_common : :average)
    rescue Magpie::Error
      nil
    end

    def from(readable) = {source_id: (readable.id if readable.is_a?(Source)), artwork_id: (readable.id if readable.is_a?(Artwork))}

    def colours(reading)
      {average: reading.average, most_common: reading.most_common, spread: reading.spread, transparent: reading.transparent, pixels: reading.pixels}
    end

    # A colour that needs no reading: it is all that there is.
    def flat(colour) = {average: colour, most_common: colour, spread: 0.0, name: Magpie::ColorName.suggest(colour)}
  end
end
