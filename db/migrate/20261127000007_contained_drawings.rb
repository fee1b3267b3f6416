# Drawings that came in before: marks that no file can hold, and styles written anew.
class ContainedDrawings < ActiveRecord::Migration[7.2]
  MARK = " #{Magpie::Artwork::Parts::MARK}=\""

  def up
    select_rows("SELECT template, min(name) FROM artworks GROUP BY template").each do |sha256, name|
      old = Blob.bytes(sha256).force_encoding(Encoding::UTF_8)
      drawing = renewed(old, name)
      execute "UPDATE artworks SET template = #{quote(Blob.keep(drawing, "image/svg+xml"))} WHERE template = #{quote(sha256)}" unless drawing == old
    end
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  # What not even that can be done with is marked all the same, or it would lose its paint.
  def renewed(old, name)
    Magpie::Walls.renewed(old, name:)
  rescue Magpie::Error
    old.gsub(MARK) { MARK + Magpie::Artwork::Identifiers::MARK }
  end
end
