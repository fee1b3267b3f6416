# Which pictures a drawing shows, so that none is thrown away that is shown; and whether a browser
# shows each as it is read here.
class PicturesOfDrawings < ActiveRecord::Migration[7.2]
  def change
    create_table :drawn_pictures, id: false do |t|
      t.text :template, null: false
      t.text :sha256, null: false
      t.boolean :plain, null: false
      t.index %i[template sha256], unique: true
    end
    add_foreign_key :drawn_pictures, :blobs, column: :template, primary_key: :sha256, on_delete: :cascade
    add_foreign_key :drawn_pictures, :blobs, column: :sha256, primary_key: :sha256
  end
end
