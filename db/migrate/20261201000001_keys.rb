# Which keys a person has given to shortcuts, and whether single keys do anything.
class Keys < ActiveRecord::Migration[7.2]
  def change
    add_column :visitors, :keys, :jsonb, null: false, default: {}
  end
end
