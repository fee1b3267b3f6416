# Libraries are asked for what is nearest: entries have their Lab beside their colour, as the
# columns of an index; and for what is called alike, by trigrams. Presses are the house's.
class Match < ActiveRecord::Migration[7.2]
  def up
    enable_extension "pg_trgm"
    change_table :entries do |t|
      %i[l a b].each { |axis| t.float axis } # CIE Lab, D50
    end
    Entry.reset_column_information
    Entry.find_each { |entry| entry.update_columns(Entry.measured(entry.colour).slice(:l, :a, :b)) }
    %i[l a b].each { |axis| change_column_null :entries, axis, false }
    execute <<~SQL
      ALTER TABLE entries ADD COLUMN sought text GENERATED ALWAYS AS
        (lower(name || ' ' || coalesce(code || ' ' || regexp_replace(code, '[^[:alnum:]]', '', 'g'), ''))) STORED;
      CREATE INDEX entries_sought ON entries USING gin (sought gin_trgm_ops);
    SQL
    stamps
    presses
  end

  # Another number whenever anything was done to the entries of a library, or undone.
  def stamps
    add_column :libraries, :stamp, :bigint, null: false, default: 0
    execute <<~SQL
      CREATE SEQUENCE library_stamps;
      CREATE FUNCTION stamp_libraries() RETURNS trigger LANGUAGE plpgsql AS $$
        BEGIN
          UPDATE libraries SET stamp = nextval('library_stamps') WHERE id IN (SELECT library_id FROM touched);
          RETURN NULL;
        END $$;
      CREATE TRIGGER entries_made AFTER INSERT ON entries REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION stamp_libraries();
      CREATE TRIGGER entries_changed AFTER UPDATE ON entries REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION stamp_libraries();
      CREATE TRIGGER entries_gone AFTER DELETE ON entries REFERENCING OLD TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION stamp_libraries();
    SQL
  end

  def presses
    create_table :conditions do |t|
      t.text :name, null: false
      t.text :shipped # a key of Magpie::Press::SHIPPED
      t.text :file # the name of the profile that it came from
      t.text :sha256 # and its bytes
      t.jsonb :intents, null: false, default: %w[perceptual relative saturation absolute] # that the profile has
      t.text :intent, null: false, default: "relative"
      t.boolean :black_point, null: false, default: true
      t.boolean :greys, null: false, default: false # on black ink alone?
      t.float :most_ink # per cent in all; null: no limit
      t.datetime :removed_at
      t.datetime :created_at, null: false
    end
    add_reference :projects, :condition, foreign_key: {on_delete: :nullify} # its own; null: the house's
    Condition.reset_column_information
    Condition.ship
  end

  def down = raise(ActiveRecord::IrreversibleMigration)
end
