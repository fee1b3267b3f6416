class Begin < ActiveRecord::Migration[7.2]
  def change
    create_table :settings, id: false do |t|
      t.text :key, null: false, primary_key: true
      t.text :value, null: false
    end

    # Bytes of pictures, drawings and files, once each, by their SHA-256.
    create_table :blobs, id: false do |t|
      t.text :sha256, null: false, primary_key: true
      t.text :media_type, null: false
      t.binary :bytes, null: false
    end

    create_table :projects do |t|
      t.text :name, null: false
      t.text :client, null: false, default: ""
      t.text :surround, null: false, default: "light"
      t.datetime :created_at, null: false
    end

    create_table :palettes do |t|
      t.text :name, null: false
      t.text :note
    end

    create_table :uses do |t| # which palettes a project works with, in its order
      t.references :project, null: false, foreign_key: true
      t.references :palette, null: false, foreign_key: true
      t.integer :position, null: false
      t.index %i[project_id palette_id], unique: true
    end

    create_table :groups do |t|
      t.references :palette, null: false, foreign_key: true
      t.text :name, null: false
      t.text :note
      t.integer :position, null: false
    end

    create_table :sources do |t|
      t.references :project, null: false, foreign_key: true
      t.text :name, null: false
      t.text :sha256, null: false
      t.integer :width, null: false
      t.integer :height, null: false
      t.integer :position, null: false
      t.datetime :created_at, null: false
      t.datetime :removed_at
      t.foreign_key :blobs, column: :sha256, primary_key: :sha256
    end

    create_table :finds do |t|
      t.references :project, null: false, foreign_key: true
      t.references :source, null: false, foreign_key: true
      t.integer :x, null: false
      t.integer :y, null: false
      t.integer :probe, null: false
      t.jsonb :colour, null: false
      t.jsonb :most_common, null: false
      t.float :spread, null: false
      t.integer :transparent, null: false, default: 0
      t.text :name, null: false
      t.datetime :created_at, null: false
    end

    create_table :swatches do |t|
      t.references :group, null: false, foreign_key: true
      t.references :find, foreign_key: true
      t.text :name, null: false
      t.text :note
      t.jsonb :colour, null: false
      t.text :definition
      t.text :hex, null: false
      t.boolean :shared, null: false, default: false
      t.integer :position, null: false
    end
    add_index :swatches, "group_id, lower(name)", unique: true, name: "swatch_names"

    create_table :artworks do |t|
      t.references :project, null: false, foreign_key: true
      t.text :name, null: false
      t.text :original, null: false # the file as it came
      t.text :template, null: false # the drawing with marks where paint goes
      t.float :width, null: false
      t.float :height, null: false
      t.integer :position, null: false
      t.jsonb :dropped, null: false, default: []
      t.datetime :created_at, null: false
      t.datetime :removed_at
      t.foreign_key :blobs, column: :original, primary_key: :sha256
      t.foreign_key :blobs, column: :template, primary_key: :sha256
    end

    create_table :parts do |t|
      t.references :artwork, null: false, foreign_key: true
      t.text :key, null: false
      t.text :label, null: false
      t.text :kind, null: false
      t.integer :position, null: false
      t.index %i[artwork_id key], unique: true
    end

    create_table :places do |t|
      t.references :artwork, null: false, foreign_key: true
      t.references :part, null: false, foreign_key: true
      t.references :swatch, foreign_key: true
      t.text :role, null: false
      t.text :kind, null: false
      t.jsonb :colour
      t.text :hex
      t.text :reference
      t.float :opacity, null: false, default: 1.0
      t.index %i[part_id role], unique: true
      t.index :hex, where: "swatch_id IS NULL AND hex IS NOT NULL"
    end

    create_table :hands do |t|
      t.references :project, null: false, foreign_key: true
      t.text :visitor, null: false
      t.jsonb :now
      t.jsonb :before
      t.index %i[project_id visitor], unique: true
    end

    create_table :changes do |t|
      t.references :project, null: false, foreign_key: true
      t.text :words, null: false
      t.jsonb :rows, null: false
      t.datetime :created_at, null: false
      t.datetime :undone_at
    end
    add_index :changes, %i[project_id id]

    create_table :imports do |t| # files looked at before they are brought in
      t.references :project, foreign_key: true
      t.text :name, null: false
      t.text :sha256, null: false
      t.datetime :created_at, null: false
      t.foreign_key :blobs, column: :sha256, primary_key: :sha256
    end
  end
end
