# Watch addresses: a palette as a file behind a key, for a website or a build to read.
class Watches < ActiveRecord::Migration[7.2]
  def change
    create_table :watches do |t|
      t.references :palette, null: false, foreign_key: {on_delete: :cascade}, index: {unique: true}
      t.text :key, null: false, index: {unique: true}
      t.datetime :created_at, null: false
    end
  end
end
