# When each place was last given another paint, so that a page is told only what changed
# since it was drawn; and how many places of each artwork follow each swatch, so that
# nobody has to count them. Both are kept by the database itself, whoever writes.
class Repainted < ActiveRecord::Migration[7.2]
  def up
    create_tables
    execute "INSERT INTO reaches (artwork_id, swatch_id, places) #{counted("follows")}"
    stamps
    kinds
    counts
    add_index :parts, %i[artwork_id position]
    remove_index :parts, :artwork_id # two others begin with it
    add_index :places, :artwork_id, where: "paint IS NOT NULL", name: "places_with_paint"
    add_column :artworks, :part_count, :integer, null: false, default: 0
    execute "UPDATE artworks a SET part_count = (SELECT count(*) FROM parts WHERE artwork_id = a.id AND kind = 'part')"
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  # Stamps grow: whoever paints holds the lock of the house (Following::Graph).
  def create_tables
    execute <<~SQL
      CREATE SEQUENCE paint_stamps;
      CREATE TABLE repainted (place_id bigint PRIMARY KEY REFERENCES places ON DELETE CASCADE, artwork_id bigint NOT NULL, stamp bigint NOT NULL);
      CREATE INDEX repainted_since ON repainted (artwork_id, stamp);
      CREATE TABLE reaches (artwork_id bigint NOT NULL REFERENCES artworks, swatch_id bigint NOT NULL, places integer NOT NULL, PRIMARY KEY (swatch_id, artwork_id));
      CREATE INDEX reaches_of_artworks ON reaches (artwork_id);
    SQL
  end

  # What a place holds changes with its row, with what it follows, and where that becomes a
  # gradient or pattern, or is one no longer: it is written in another way then.
  def stamps
    execute <<~SQL
      CREATE FUNCTION stamp_places() RETURNS trigger LANGUAGE plpgsql AS $$
        DECLARE latest bigint := nextval('paint_stamps');
        BEGIN
          IF TG_TABLE_NAME = 'places' THEN
            INSERT INTO repainted SELECT id, artwork_id, latest FROM changed ON CONFLICT (place_id) DO UPDATE SET stamp = latest;
          ELSE
            INSERT INTO repainted SELECT p.id, p.artwork_id, latest FROM places p WHERE p.id IN (SELECT place_id FROM changed) ON CONFLICT (place_id) DO UPDATE SET stamp = latest;
          END IF;
          RETURN NULL;
        END $$;
      CREATE TRIGGER places_repainted AFTER UPDATE ON places REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION stamp_places();
      CREATE TRIGGER follows_begun AFTER INSERT ON follows REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION stamp_places();
      CREATE TRIGGER follows_moved AFTER UPDATE ON follows REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION stamp_places();
      CREATE TRIGGER follows_ended AFTER DELETE ON follows REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION stamp_places();
    SQL
  end

  def kinds
    execute <<~SQL
      CREATE FUNCTION stamp_followers() RETURNS trigger LANGUAGE plpgsql AS $$
        DECLARE latest bigint;
        BEGIN
          IF EXISTS (SELECT FROM past JOIN fresh USING (id) WHERE (past.paint IS NULL) <> (fresh.paint IS NULL)) THEN
            latest := nextval('paint_stamps');
            INSERT INTO repainted SELECT p.id, p.artwork_id, latest FROM past JOIN fresh USING (id) JOIN follows f ON f.swatch_id = past.id AND f.ink IS NULL JOIN places p ON p.id = f.place_id
            WHERE (past.paint IS NULL) <> (fresh.paint IS NULL) ON CONFLICT (place_id) DO UPDATE SET stamp = latest;
          END IF;
          RETURN NULL;
        END $$;
      CREATE TRIGGER followers_repainted AFTER UPDATE ON swatches REFERENCING OLD TABLE AS past NEW TABLE AS fresh FOR EACH STATEMENT EXECUTE FUNCTION stamp_followers();
    SQL
  end

  def counts
    less = <<~SQL
      UPDATE reaches r SET places = r.places - gone.places FROM (#{counted("past")}) gone WHERE r.artwork_id = gone.artwork_id AND r.swatch_id = gone.swatch_id;
      DELETE FROM reaches WHERE places = 0 AND swatch_id IN (SELECT swatch_id FROM past);
    SQL
    more = "INSERT INTO reaches (artwork_id, swatch_id, places) #{counted("fresh")} ON CONFLICT (swatch_id, artwork_id) DO UPDATE SET places = reaches.places + EXCLUDED.places;"
    count("insert", "NEW TABLE AS fresh", more)
    count("delete", "OLD TABLE AS past", less)
    count("update", "OLD TABLE AS past NEW TABLE AS fresh", more + less)
  end

  def count(event, tables, body)
    execute <<~SQL
      CREATE FUNCTION count_reach_on_#{event}() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN #{body} RETURN NULL; END $$;
      CREATE TRIGGER reach_on_#{event} AFTER #{event.upcase} ON follows REFERENCING #{tables} FOR EACH STATEMENT EXECUTE FUNCTION count_reach_on_#{event}();
    SQL
  end

  def counted(rows)
    "SELECT p.artwork_id, f.swatch_id, count(*)::integer AS places FROM #{rows} f JOIN places p ON p.id = f.place_id WHERE f.ink IS NULL GROUP BY 1, 2"
  end
end
