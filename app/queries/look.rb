# What an artwork looks like now, in a word: another drawing, another paint, another key.
# It asks when places were last repainted and what the swatches hold that they follow,
# and reads none of the places, which may be eighty thousand on one page. What becomes of
# the first, a colourway may show.
#
# @!attribute key [String] letters and digits
# @!attribute stamp [Integer] of the latest repainting, 0 for none
# @!attribute servers [String] tells when gradients and patterns of swatches change
# @!attribute follows [Array<Integer>] ids of the swatches that it follows
Look = Struct.new(:artwork, :key, :stamp, :servers, :follows) do
  # @param artworks [Array<Artwork>]
  # @return [Hash{Integer => Look}] by artwork, in one query
  def self.of(artworks)
    return {} if artworks.empty?
    rows = Record.connection.select_rows(<<~SQL).to_h { |id, *seen| [id, seen] }
      SELECT a.id, GREATEST(#{latest("a.id")}, #{latest("a.first_id")}), followed.ids, followed.values, followed.paints
      FROM unnest(#{Record.array(artworks.map(&:id))}, #{Record.array(artworks.map(&:drawn_id))}) AS a (id, first_id) CROSS JOIN LATERAL (
        SELECT string_agg(s.id::text, ',' ORDER BY s.id) AS ids, md5(string_agg(concat_ws('|', s.id, s.colour, s.paint), '/' ORDER BY s.id)) AS values,
          left(md5(string_agg(s.paint::text, '/' ORDER BY s.id)), 8) AS paints
        FROM swatches s WHERE s.id IN (SELECT swatch_id FROM reaches WHERE artwork_id IN (a.id, a.first_id))) followed
    SQL
    artworks.to_h { |artwork| [artwork.id, seen(artwork, *rows[artwork.id])] }
  end

  def self.latest(id) = "(SELECT stamp FROM repainted WHERE artwork_id = #{id} ORDER BY stamp DESC LIMIT 1)"

  def self.seen(artwork, stamp, ids, values, paints)
    new(artwork, Digest::SHA256.hexdigest([artwork.template, artwork.id, stamp, values].join("/")), stamp.to_i, paints.to_s, ids.to_s.split(",").map(&:to_i))
  end

  # Tells when a drawing of it must be given other paints; what only moves the value of a
  # colour reaches it by that colour's property.
  def mark = "#{stamp}-#{servers}"
end
