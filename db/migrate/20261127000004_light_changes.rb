# What it takes to undo a change is read and written whole, never asked: as text it is
# a third of the work. A value of a swatch changes more often than anything that is
# indexed, so that all of a page's rows can be written anew within it.
class LightChanges < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE changes ALTER COLUMN rows TYPE json USING rows::json, ALTER COLUMN rows SET COMPRESSION lz4"
    execute "ALTER TABLE swatches SET (fillfactor = 45)"
  end

  def down
    execute "ALTER TABLE changes ALTER COLUMN rows TYPE jsonb USING rows::jsonb, ALTER COLUMN rows SET COMPRESSION pglz"
    execute "ALTER TABLE swatches SET (fillfactor = 70)"
  end
end
