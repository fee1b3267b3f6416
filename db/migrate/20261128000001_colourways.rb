# How parts are drawn, where that is other than their file says; and colourways.
#
# A colourway is an artwork of its own that shares the parts of the first, and has places
# only where it differs. What each shows is a view: its own places, and those of the first
# that it has not replaced.
class Colourways < ActiveRecord::Migration[7.2]
  def up
    change_table :artworks do |t|
      t.references :first, foreign_key: {to_table: :artworks}, index: {where: "first_id IS NOT NULL"}
      t.text :colourway, null: false, default: "First" # what it is called among those of its artwork
      t.text :note, null: false, default: ""
    end
    add_column :places, :settings, :jsonb # of a line place how the line is drawn, of a fill place how the part is seen (Magpie::Artwork::Settings#kept)
    add_column :artworks, :group_labels, :jsonb, null: false, default: {} # what groups of its drawing are called, by key, where that was changed
    add_column :artworks, :labels_key, :text # another one whenever something in it is called something else
    add_column :parts, :locked, :boolean, null: false, default: false # nothing is given to it
    add_index :parts, :artwork_id, where: "locked", name: "locked_parts"
    remove_index :places, %i[part_id role]
    remove_index :places, :part_id
    add_index :places, %i[part_id role artwork_id], unique: true
    shown
    stamps
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  def shown
    execute <<~SQL
      CREATE VIEW shown_places AS
        SELECT p.artwork_id AS shown_in, p.* FROM places p
        UNION ALL
        SELECT a.id, p.* FROM artworks a JOIN places p ON p.artwork_id = a.first_id
        WHERE NOT EXISTS (SELECT FROM places own WHERE own.part_id = p.part_id AND own.role = p.role AND own.artwork_id = a.id)
    SQL
  end

  # A place that a colourway has for itself, or gives up, shows another paint there. Those
  # of a first come with its drawing, and never go. Of parts pages are told, too, whether
  # they are locked.
  def stamps
    execute <<~SQL
      CREATE FUNCTION stamp_differences() RETURNS trigger LANGUAGE plpgsql AS $$
        DECLARE latest bigint;
        BEGIN
          IF EXISTS (SELECT FROM changed c JOIN artworks a ON a.id = c.artwork_id AND a.first_id IS NOT NULL) THEN
            latest := nextval('paint_stamps');
            IF TG_OP = 'INSERT' THEN
              INSERT INTO repainted SELECT id, artwork_id, latest FROM changed ON CONFLICT (place_id) DO UPDATE SET stamp = latest;
            ELSE
              INSERT INTO repainted SELECT DISTINCT p.id, p.artwork_id, latest FROM changed c JOIN artworks a ON a.id = c.artwork_id JOIN places p ON p.part_id = c.part_id AND p.role = c.role AND p.artwork_id = a.first_id
              ON CONFLICT (place_id) DO UPDATE SET stamp = latest;
            END IF;
          END IF;
          RETURN NULL;
        END $$;
      CREATE FUNCTION stamp_locked() RETURNS trigger LANGUAGE plpgsql AS $$
        DECLARE latest bigint;
        BEGIN
          IF EXISTS (SELECT FROM past JOIN fresh USING (id) WHERE past.locked <> fresh.locked) THEN
            latest := nextval('paint_stamps');
            INSERT INTO repainted SELECT p.id, p.artwork_id, latest FROM past JOIN fresh USING (id) JOIN places p ON p.part_id = fresh.id
            WHERE past.locked <> fresh.locked ON CONFLICT (place_id) DO UPDATE SET stamp = latest;
          END IF;
          RETURN NULL;
        END $$;
      CREATE TRIGGER parts_locked AFTER UPDATE ON parts REFERENCING OLD TABLE AS past NEW TABLE AS fresh FOR EACH STATEMENT EXECUTE FUNCTION stamp_locked();
      CREATE TRIGGER differences_begun AFTER INSERT ON places REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION stamp_differences();
      CREATE TRIGGER differences_ended AFTER DELETE ON places REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION stamp_differences();
    SQL
  end
end
