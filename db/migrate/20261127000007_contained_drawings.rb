# Drawings that came in before: marks that no file can hold, and styles written anew.
class ContainedDrawings < ActiveRecord::Migration[7.2]
  def up
    select_values("SELECT DISTINCT template FROM artworks").each do |sha256|
      old = Blob.bytes(sha256).force_encoding(Encoding::UTF_8)
      drawing = Magpie::Artwork::Renewed.of(old)
      next if drawing == old
      execute "UPDATE artworks SET template = #{quote(Blob.keep(drawing, "image/svg+xml"))} WHERE template = #{quote(sha256)}"
    end
  end

  def down = raise(ActiveRecord::IrreversibleMigration)
end
