# A watch address: whoever has its key may read the palette as a file, in any format, as it
# is at that moment. It belongs to no change and is not undone: what was withdrawn stays so.
class Watch < Record
  KEY = /\A[\w-]{32}\z/

  belongs_to :palette

  # @return [Watch] the palette's, made where there is none
  def self.of!(palette) = find_by(palette:) || create!(palette:, key: SecureRandom.urlsafe_base64(24), created_at: Time.now)

  # Tells whether anything of the palette is another than it was.
  # @return [String]
  def mark
    Record.connection.select_value(<<~SQL)
      SELECT md5(concat((SELECT p::text FROM palettes p WHERE p.id = #{palette_id}), (SELECT string_agg(g::text, ',' ORDER BY g.id) FROM groups g WHERE g.palette_id = #{palette_id}),
        (SELECT string_agg(s::text, ',' ORDER BY s.id) FROM swatches s JOIN groups g ON g.id = s.group_id WHERE g.palette_id = #{palette_id}),
        (SELECT string_agg(f::text, ',' ORDER BY f.id) FROM follows f JOIN swatches s ON s.id = f.follower_id JOIN groups g ON g.id = s.group_id WHERE g.palette_id = #{palette_id})))
    SQL
  end
end
