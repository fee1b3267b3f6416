# Places, tints, gradient stops and pattern inks follow swatches through one table.
# The database itself holds that nothing follows a swatch that is gone or loose.
class Follows < ActiveRecord::Migration[7.2]
  def up
    share_what_is_followed
    add_index :swatches, %i[id shared], unique: true
    execute "ALTER TABLE swatches SET (fillfactor = 70)" # a value changes far more often than what is indexed
    create
    take_over
    forget
    # What earlier changes wrote names columns that are no more: they are told, not undone.
    add_column :changes, :sealed, :boolean, null: false, default: false
    execute "UPDATE changes SET sealed = TRUE"
    add_column :changes, :touched, :bigint, array: true, null: false, default: [] # see Changes::Rows#touched
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  INKS = "jsonb_array_elements(t.paint->'inks') WITH ORDINALITY AS inks (ink, at) WHERE ink->>'swatch' IS NOT NULL"

  def share_what_is_followed
    execute <<~SQL
      UPDATE swatches SET shared = TRUE WHERE id IN (
        SELECT swatch_id FROM places UNION SELECT tint_of_id FROM swatches UNION
        SELECT (ink->>'swatch')::bigint FROM swatches t, #{INKS} UNION SELECT (ink->>'swatch')::bigint FROM places t, #{INKS})
    SQL
  end

  def create
    create_table :follows do |t|
      t.bigint :swatch_id, null: false # what is followed
      t.boolean :shared, null: false, default: true # always; for the key below
      t.references :place, foreign_key: true, index: false
      t.references :follower, foreign_key: {to_table: :swatches}, index: false
      t.integer :ink # of the follower's gradient or pattern, from 0
      t.float :tint # per cent
      t.index :swatch_id
      t.index :swatch_id, where: "follower_id IS NOT NULL OR ink IS NOT NULL", name: "followed_by_values"
      t.check_constraint "shared"
      t.check_constraint "num_nonnulls(place_id, follower_id) = 1"
      t.check_constraint "place_id IS NULL OR tint IS NULL"
      t.check_constraint "follower_id IS NULL OR num_nonnulls(ink, tint) = 1"
      t.check_constraint "follower_id <> swatch_id"
    end
    execute <<~SQL
      ALTER TABLE follows ADD FOREIGN KEY (swatch_id, shared) REFERENCES swatches (id, shared);
      CREATE UNIQUE INDEX follows_of_places ON follows (place_id, ink) NULLS NOT DISTINCT WHERE place_id IS NOT NULL;
      CREATE UNIQUE INDEX follows_of_swatches ON follows (follower_id, ink) NULLS NOT DISTINCT WHERE follower_id IS NOT NULL;
    SQL
  end

  def take_over
    there = "AND EXISTS (SELECT FROM swatches f WHERE f.id = (ink->>'swatch')::bigint)"
    execute <<~SQL
      INSERT INTO follows (swatch_id, place_id) SELECT swatch_id, id FROM places WHERE swatch_id IS NOT NULL ORDER BY id;
      INSERT INTO follows (swatch_id, follower_id, tint) SELECT tint_of_id, id, tint FROM swatches WHERE tint_of_id IS NOT NULL AND tint_of_id <> id ORDER BY id;
      INSERT INTO follows (swatch_id, follower_id, ink) SELECT (ink->>'swatch')::bigint, t.id, at - 1 FROM swatches t, #{INKS} #{there} AND t.id <> (ink->>'swatch')::bigint;
      INSERT INTO follows (swatch_id, place_id, ink) SELECT (ink->>'swatch')::bigint, t.id, at - 1 FROM places t, #{INKS} #{there};
    SQL
  end

  def forget
    %w[swatches places].each do |table|
      execute "UPDATE #{table} t SET paint = jsonb_set(paint, '{inks}', (SELECT jsonb_agg(ink - 'swatch' ORDER BY at) FROM jsonb_array_elements(t.paint->'inks') WITH ORDINALITY AS inks (ink, at))) WHERE paint IS NOT NULL"
    end
    remove_index :places, :hex
    remove_column :places, :swatch_id
    remove_column :swatches, :tint_of_id
    remove_column :swatches, :tint
    add_index :places, :hex, where: "hex IS NOT NULL"
  end
end
