# What forms were answered, so that one which arrives twice happens once.
class Answers < ActiveRecord::Migration[7.2]
  def change
    create_table :answers, id: false do |t|
      t.text :key, null: false, primary_key: true # the visitor's and the form's
      t.integer :status, null: false
      t.jsonb :headers, null: false
      t.text :body, null: false
      t.jsonb :notice
      t.datetime :created_at, null: false
      t.index :created_at
    end
  end
end
