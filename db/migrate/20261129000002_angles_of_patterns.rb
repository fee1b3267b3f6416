# Dots and checks lie at their angle by now, which they had and did not show: they go on
# looking as they did.
class AnglesOfPatterns < ActiveRecord::Migration[7.2]
  def up
    %w[places swatches].each { |table| execute "UPDATE #{table} SET paint = jsonb_set(paint, '{angle}', '0.0') WHERE paint->>'form' IN ('dots', 'checks') AND paint->>'angle' <> '0.0'" }
  end

  def down = raise(ActiveRecord::IrreversibleMigration)
end
