module Changes
  # Makes a colourway the one that the others differ from. All look as before.
  class MakeFirst < Change
    include OfColourway
    include Exchanging

    private

    def make
      refuse_first("it is that already")
      pairs = Record.connection.select_rows(<<~SQL)
        SELECT p.id, own.id FROM places own JOIN places p ON p.part_id = own.part_id AND p.role = own.role AND p.artwork_id = #{Integer(first.id)}
        WHERE own.artwork_id = #{Integer(@artwork.id)} ORDER BY 1
      SQL
      hold_fast(pairs.map(&:first))
      @rows.standing_on(Artwork, [first.id, @artwork.id])
      exchange(pairs)
      exchange_names
    end

    # What the other colourways show of the first stays theirs; what they have already in
    # common with the new first they give up when all is done.
    def hold_fast(ids)
      others.without(@artwork).each do |way|
        copies(way, ids)
        (@owned ||= Set.new).merge(Place.where(artwork_id: way.id).ids)
      end
    end

    # The rows stay where they are, with the drawing and its parts.
    def exchange_names
      @names = [first.colourway, @artwork.colourway]
      notes = [first.note, @artwork.note]
      update(first, colourway: @names[1], note: notes[1])
      update(@artwork, colourway: @names[0], note: notes[0])
    end

    def words = "Made #{@names[1]} the first colourway of #{first.name}"
  end
end
