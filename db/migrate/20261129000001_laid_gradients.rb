# How a gradient lies in a part, which is the place's own affair: another fill has another.
# And what a place held before of another kind, for whoever goes back to it.
class LaidGradients < ActiveRecord::Migration[7.2]
  def up
    add_column :places, :laid, :jsonb
    add_column :places, :remembered, :jsonb
    shown
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  # With the columns that came.
  def shown
    execute <<~SQL
      CREATE OR REPLACE VIEW shown_places AS
        SELECT p.artwork_id AS shown_in, p.* FROM places p WHERE p.artwork_id IS NOT NULL
        UNION ALL
        SELECT a.id, p.* FROM artworks a JOIN places p ON p.artwork_id = a.first_id
        WHERE NOT EXISTS (SELECT FROM places own WHERE own.part_id = p.part_id AND own.role = p.role AND own.artwork_id = a.id)
    SQL
  end
end
