# Colour libraries of the house: what somebody sells or names, to match against. Their
# entries are kept by editions, so that a newer one takes the place of another, and gives
# it back, in one row.
class Libraries < ActiveRecord::Migration[7.2]
  def change
    create_table :libraries do |t|
      t.text :name, null: false
      t.text :note # of its maker
      t.text :condition # what its colours were measured on, "on coated paper"
      t.text :licence
      t.text :file # the name of the file that it came from
      t.text :sha256 # and its bytes
      t.integer :edition, null: false, default: 1 # the one that stands
      t.datetime :removed_at
      t.datetime :created_at, null: false
    end
    create_table :entries do |t|
      t.references :library, null: false, foreign_key: {on_delete: :cascade}, index: false
      t.integer :edition, null: false
      t.integer :position, null: false # in the order of the chart
      t.text :section # the group of the file
      t.text :name, null: false
      t.text :code
      t.text :note
      t.text :kind
      t.text :page # of the maker's chart
      t.text :cell # where on the page
      t.text :hex, null: false
      t.jsonb :colour, null: false
      t.jsonb :spectrum # {start, step, values}
      t.jsonb :inks # cyan, magenta, yellow, black in per cent
    end
    add_index :entries, %i[library_id edition position]
    add_reference :swatches, :entry, foreign_key: {on_delete: :nullify} # what is noted as its match
    add_reference :imports, :library, foreign_key: {on_delete: :nullify} # that it was brought into
  end
end
