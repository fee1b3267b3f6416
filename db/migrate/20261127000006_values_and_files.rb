require "json"

# The values that a change gave stand beside what undoes it, so that a history is read
# without that; and what is looked for among many changes is found by an index.
class ValuesAndFiles < ActiveRecord::Migration[7.2]
  def up
    add_column :changes, :hexes, :text, array: true, null: false, default: [] # of swatch_ids, in their order
    add_column :changes, :files, :text, array: true, null: false, default: [] # blobs that undoing may need
    add_column :blobs, :kept_at, :datetime, null: false, default: -> { "now()" }
    execute "ALTER TABLE blobs ALTER COLUMN bytes SET STORAGE EXTERNAL" # pictures are compressed already
    add_column :visitors, :used_at, :datetime, null: false, default: -> { "now()" }
    # The order in which changes took effect: one that is done again comes after all others.
    add_column :changes, :turn, :bigint
    execute "UPDATE changes SET turn = id; ALTER TABLE changes ALTER COLUMN turn SET DEFAULT nextval('changes_id_seq'), ALTER COLUMN turn SET NOT NULL"
    add_index :changes, :turn
    add_index :changes, "project_id, undone_at DESC, id", where: "undone_at IS NOT NULL AND NOT sealed", name: "undone_changes"
    add_index :changes, %i[project_id created_at]
    select_rows("SELECT id FROM changes").flatten.each { |id| fill(id) }
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  def fill(id)
    rows, ids = select_rows("SELECT rows, array_to_json(swatch_ids) FROM changes WHERE id = #{Integer(id)}").first.map { |text| JSON.parse(text) }
    given = Changes::Values.of(rows, ids)
    hexes, files = given.values_at(:hexes, :files).map { |texts| "ARRAY(SELECT json_array_elements_text(#{quote(JSON.generate(texts))}))" }
    execute "UPDATE changes SET hexes = #{hexes}, files = #{files} WHERE id = #{Integer(id)}"
  end
end
