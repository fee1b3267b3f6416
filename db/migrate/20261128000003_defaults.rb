# What parts get of which their file says no fill. A swatch that is gone, or loose, is
# given to none.
class Defaults < ActiveRecord::Migration[7.2]
  def change
    add_column :projects, :default_swatch_id, :bigint
  end
end
