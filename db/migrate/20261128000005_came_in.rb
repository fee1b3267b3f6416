# What came in, so that a newer version of the same file can be compared with it; and how
# far long work is.
class CameIn < ActiveRecord::Migration[7.2]
  def change
    change_table :imports do |t|
      t.text :read_as # key of a format, where it was chosen
      t.jsonb :columns # of a table, by hand
      t.text :batch # of files that came together
      t.text :format
      t.integer :size, null: false, default: 0 # colours in it
      t.integer :notes, null: false, default: 0
      t.datetime :brought_at
      t.references :palette, foreign_key: {on_delete: :nullify}
      t.references :before, foreign_key: {to_table: :imports, on_delete: :nullify} # the version that it is compared with
    end
    add_index :imports, %i[project_id brought_at]
    create_table :works, id: false do |t|
      t.text :mark, primary_key: true
      t.integer :done, null: false, default: 0
      t.integer :total, null: false, default: 0
      t.datetime :told_at, null: false
    end
  end
end
