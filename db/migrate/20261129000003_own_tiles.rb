# Tiles of patterns that somebody brought in: what they are, kept once, by a digest that patterns
# name; and which of them a project lists.
class OwnTiles < ActiveRecord::Migration[7.2]
  def change
    create_table :tiles, id: false do |t|
      t.text :form, null: false, primary_key: true # as patterns name it
      t.text :svg, null: false # see Magpie::Palette::Tile
      t.jsonb :seams, null: false # where it meets itself: left and right, top and bottom
      t.datetime :created_at, null: false
    end
    create_table :own_tiles do |t|
      t.references :project, null: false, foreign_key: true
      t.text :form, null: false
      t.text :name, null: false
      t.integer :position, null: false
      t.datetime :created_at, null: false
      t.datetime :removed_at
    end
    add_foreign_key :own_tiles, :tiles, column: :form, primary_key: :form
  end
end
