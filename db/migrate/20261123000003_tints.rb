# A swatch may be a tint of another, in per cent.
class Tints < ActiveRecord::Migration[7.2]
  def change
    change_table :swatches do |t|
      t.references :tint_of, foreign_key: {to_table: :swatches}
      t.float :tint
    end
  end
end
