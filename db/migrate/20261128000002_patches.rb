# Test patches, which are laid on an artwork to judge a colour and are left out of all
# that goes out.
class Patches < ActiveRecord::Migration[7.2]
  def change
    create_table :patches do |t|
      t.references :artwork, null: false, foreign_key: true # the first, whichever colourway it is seen on
      t.text :shape, null: false # "rectangle", "ellipse" or "word"
      t.text :word # of a word
      t.float :left, null: false # shares of the drawing's sides
      t.float :top, null: false
      t.float :width, null: false
      t.float :height, null: false
      t.jsonb :colour, null: false # what was in hand
      t.bigint :swatch_id # whose value it shows as long as there is one; it stands in nobody's way
    end
  end
end
