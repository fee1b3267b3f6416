# Outfits: named sets of fill, line, how the line is drawn and how opaque the part is, which
# parts wear.
#
# What an outfit holds are places as any others, but of no artwork: a change of what they
# follow, or its end, comes to them and to what wears them by the same ways. Each place of a
# part that wears it holds the same and names it, so pages and pictures ask for nothing new.
class Outfits < ActiveRecord::Migration[7.2]
  def up
    create_table :outfits do |t|
      t.references :palette, null: false, foreign_key: true
      t.text :name, null: false
      t.integer :position, null: false, default: 0
      t.integer :edition, null: false, default: 1 # another one whenever it holds something else
      t.index %i[palette_id name], unique: true
    end
    change_column_null :places, :artwork_id, true
    change_column_null :places, :part_id, true
    add_reference :places, :outfit, foreign_key: {on_delete: :nullify}, index: {where: "outfit_id IS NOT NULL"} # of an artwork's place: what it wears; see Changes::Hidden
    add_index :places, %i[outfit_id role], unique: true, where: "artwork_id IS NULL", name: "places_of_outfits"
    add_check_constraint :places, "num_nonnulls(artwork_id, part_id) = 2 OR artwork_id IS NULL AND part_id IS NULL AND outfit_id IS NOT NULL"
    shown
    stamps
    counts
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  # With the column that came.
  def shown
    execute <<~SQL
      CREATE OR REPLACE VIEW shown_places AS
        SELECT p.artwork_id AS shown_in, p.* FROM places p WHERE p.artwork_id IS NOT NULL
        UNION ALL
        SELECT a.id, p.* FROM artworks a JOIN places p ON p.artwork_id = a.first_id
        WHERE NOT EXISTS (SELECT FROM places own WHERE own.part_id = p.part_id AND own.role = p.role AND own.artwork_id = a.id)
    SQL
  end

  # As before, but for places of no artwork: no page shows them.
  def stamps
    execute <<~SQL
      CREATE OR REPLACE FUNCTION stamp_places() RETURNS trigger LANGUAGE plpgsql AS $$
        DECLARE latest bigint := nextval('paint_stamps');
        BEGIN
          IF TG_TABLE_NAME = 'places' THEN
            INSERT INTO repainted SELECT id, artwork_id, latest FROM changed WHERE artwork_id IS NOT NULL ON CONFLICT (place_id) DO UPDATE SET stamp = latest;
          ELSE
            INSERT INTO repainted SELECT p.id, p.artwork_id, latest FROM places p WHERE p.id IN (SELECT place_id FROM changed) AND p.artwork_id IS NOT NULL ON CONFLICT (place_id) DO UPDATE SET stamp = latest;
          END IF;
          RETURN NULL;
        END $$;
      CREATE OR REPLACE FUNCTION stamp_followers() RETURNS trigger LANGUAGE plpgsql AS $$
        DECLARE latest bigint;
        BEGIN
          IF EXISTS (SELECT FROM past JOIN fresh USING (id) WHERE (past.paint IS NULL) <> (fresh.paint IS NULL)) THEN
            latest := nextval('paint_stamps');
            INSERT INTO repainted SELECT p.id, p.artwork_id, latest FROM past JOIN fresh USING (id) JOIN follows f ON f.swatch_id = past.id AND f.ink IS NULL JOIN places p ON p.id = f.place_id
            WHERE (past.paint IS NULL) <> (fresh.paint IS NULL) AND p.artwork_id IS NOT NULL ON CONFLICT (place_id) DO UPDATE SET stamp = latest;
          END IF;
          RETURN NULL;
        END $$;
    SQL
  end

  def counts
    less = <<~SQL
      UPDATE reaches r SET places = r.places - gone.places FROM (#{counted("past")}) gone WHERE r.artwork_id = gone.artwork_id AND r.swatch_id = gone.swatch_id;
      DELETE FROM reaches WHERE places = 0 AND swatch_id IN (SELECT swatch_id FROM past);
    SQL
    more = "INSERT INTO reaches (artwork_id, swatch_id, places) #{counted("fresh")} ON CONFLICT (swatch_id, artwork_id) DO UPDATE SET places = reaches.places + EXCLUDED.places;"
    {insert: more, delete: less, update: more + less}.each do |event, body|
      execute "CREATE OR REPLACE FUNCTION count_reach_on_#{event}() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN #{body} RETURN NULL; END $$"
    end
  end

  def counted(rows)
    "SELECT p.artwork_id, f.swatch_id, count(*)::integer AS places FROM #{rows} f JOIN places p ON p.id = f.place_id AND p.artwork_id IS NOT NULL WHERE f.ink IS NULL GROUP BY 1, 2"
  end
end
