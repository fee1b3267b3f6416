# Finds may come from artworks and screens, are read in several ways, can be pinned
# and cleared; sources say what they are; a person's choices in a project are kept.
class Gather < ActiveRecord::Migration[7.2]
  def up
    change_table :sources do |t|
      t.text :note, null: false, default: ""
      t.text :kind, null: false, default: "picture"
      t.jsonb :facts, null: false, default: {} # what the file was, see Magpie::Picture::File#facts
      t.jsonb :tone # lightness and cast, see Magpie::Picture::Tone
    end
    change_table :finds do |t|
      t.rename :colour, :average
      t.text :chosen, null: false, default: "average"
      t.text :way, null: false, default: "square"
      t.references :artwork, foreign_key: true
      t.text :part # whose own paint it is
      t.jsonb :corners # of an outline drawn by hand
      t.float :tolerance
      t.integer :pixels
      t.float :share # of the picture, for a main colour
      t.boolean :named, null: false, default: false # by a person
      t.boolean :pinned, null: false, default: false
      t.datetime :removed_at
    end
    %i[source_id x y probe].each { |column| change_column_null :finds, column, true }
    add_column :hands, :choices, :jsonb, null: false, default: {}
    rename_in_changes "colour", "average"
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  # Undo and redo name columns too.
  def rename_in_changes(from, to)
    select_all("SELECT id, rows FROM changes WHERE rows @> '[{\"table\": \"finds\"}]'").each do |change|
      rows = JSON.parse(change["rows"]).each do |row|
        next unless row["table"] == "finds"
        %w[before after].filter_map { |side| row[side] }.each { |columns| columns[to] = columns.delete(from) if columns.key?(from) }
      end
      execute "UPDATE changes SET rows = #{quote(JSON.generate(rows))} WHERE id = #{Integer(change["id"])}"
    end
  end
end
