# Boards: a piece of material on a ground with trims, in variants. Grounds and trims are
# places, so that they follow swatches as anything else does.
class Boards < ActiveRecord::Migration[7.2]
  def change
    create_table :boards do |t|
      t.references :project, null: false, foreign_key: true
      t.references :source, foreign_key: true # that the piece was cut from
      t.text :name, null: false
      t.jsonb :corners, null: false # of the outline, as shares of its sides
      t.boolean :straightened, null: false, default: false
      t.text :sha256, null: false # of the piece
      t.integer :width, null: false # of it, px
      t.integer :height, null: false
      t.text :show_key, index: {unique: true} # of the page that shows it to who has the address
      t.integer :position, null: false, default: 0
      t.datetime :removed_at
      t.datetime :created_at, null: false
    end
    create_table :variants do |t|
      t.references :board, null: false, foreign_key: {on_delete: :cascade}
      t.text :name, null: false
      t.integer :steps, null: false, default: 0 # lighter, or darker below 0
      t.references :entry, foreign_key: {on_delete: :nullify} # of a library, noted for the ground
      t.jsonb :trims, null: false, default: [] # what they are, in their order: {role, name, use}
      t.integer :position, null: false, default: 0
    end
    add_reference :places, :variant, foreign_key: true, index: false
    add_index :places, %i[variant_id role], unique: true, where: "variant_id IS NOT NULL"
    remove_check_constraint :places, name: "chk_rails_822729f9db"
    add_check_constraint :places, "num_nonnulls(artwork_id, part_id) = 2 AND variant_id IS NULL OR artwork_id IS NULL AND part_id IS NULL AND num_nonnulls(outfit_id, variant_id) = 1", name: "places_are_somewhere"
  end
end
