# What a colourway has in common with its first is the first's: whatever is done to that or
# undone, and whenever the colourway was begun, removed or came back, it has the same drawing.
class SharedDrawings < ActiveRecord::Migration[7.2]
  SHARED = %w[project_id name original template width height part_count dropped].freeze

  def up
    execute <<~SQL
      UPDATE artworks way SET #{SHARED.map { |column| "#{column} = first.#{column}" }.join(", ")} FROM artworks first WHERE way.first_id = first.id;
      CREATE FUNCTION share_drawing() RETURNS trigger LANGUAGE plpgsql AS $$
        BEGIN
          UPDATE artworks SET #{SHARED.map { |column| "#{column} = NEW.#{column}" }.join(", ")} WHERE first_id = NEW.id;
          RETURN NULL;
        END $$;
      CREATE TRIGGER drawings_shared AFTER UPDATE ON artworks FOR EACH ROW
        WHEN (NEW.first_id IS NULL AND (#{row("OLD")}) IS DISTINCT FROM (#{row("NEW")})) EXECUTE FUNCTION share_drawing();
    SQL
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  def row(version) = SHARED.map { |column| "#{version}.#{column}" }.join(", ")
end
