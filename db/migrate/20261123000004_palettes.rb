# Palettes with tags, limits and a grid; swatches with code, kind, lock, slot on the
# grid, gradients and patterns; changes say who made them, why, and which swatches
# they gave another value.
class Palettes < ActiveRecord::Migration[7.2]
  def change
    change_table :palettes do |t|
      t.text :tags, array: true, null: false, default: []
      t.datetime :archived_at
      t.boolean :starter, null: false, default: false # its groups come with each new project
      t.jsonb :limits, null: false, default: {} # of the health checks, where they are not the usual ones
      t.integer :columns, null: false, default: 12 # of the grid
      t.integer :rows, null: false, default: 8
    end
    change_table :swatches do |t|
      t.text :code
      t.text :kind, null: false, default: "process"
      t.boolean :locked, null: false, default: false
      t.integer :across # slot on the grid, from 0
      t.integer :down
      t.jsonb :paint # gradient or pattern, see Magpie::Palette::Compound
    end
    add_column :places, :paint, :jsonb # a gradient or pattern that follows no swatch
    change_table :changes do |t|
      t.text :who
      t.text :why
      t.bigint :swatch_ids, array: true, null: false, default: []
      t.index :swatch_ids, using: :gin
    end
  end
end
