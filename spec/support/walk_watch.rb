require_relative "data"

# What a step of a walk left behind in the database: what of it must not be, and whether a
# refusal left anything at all. Only tables that the step wrote to are looked at: PostgreSQL
# counts, also what was taken back.
class WalkWatch
  TABLES = %w[
    swatches groups palettes uses places follows outfits patches artworks parts libraries entries boards variants
  ].freeze
  # The demo's rows are kept in tables of the same names.
  COUNTED = <<~SQL.freeze
    SELECT relname, n_tup_ins + n_tup_upd + n_tup_del FROM pg_stat_xact_user_tables
    WHERE schemaname = 'public' AND relname IN ('#{TABLES.join("', '")}')
  SQL

  def initialize
    @counts, @locked = counts, locked
  end

  # @yieldreturn [Symbol] :done, or :refused, after which everything must be as it was
  # @return [Array<String>] what is wrong
  def step
    wrong = nil
    Record.transaction(requires_new: true) do
      outcome = yield
      touched = written
      wrong = (outcome == :refused) ? left(touched) : broken(touched)
    end
    wrong
  end

  # How many places follow each swatch is kept by the database.
  def miscounted
    counted = Record.connection.select_rows(<<~SQL).to_set
      SELECT p.artwork_id, f.swatch_id, count(*) FROM follows f
      JOIN places p ON p.id = f.place_id AND p.artwork_id IS NOT NULL WHERE f.ink IS NULL GROUP BY 1, 2
    SQL
    kept = Record.connection.select_rows("SELECT artwork_id, swatch_id, places FROM reaches").to_set
    (counted ^ kept).map do |artwork, swatch, places|
      "#{places} places of artwork #{artwork} are said to follow swatch #{swatch}"
    end
  end

  def loose
    ties = Follow.joins(:swatch).where(swatches: {shared: false})
    ties.map { |tie| "something follows #{tie.swatch.name}, which is loose" }
  end

  def kept_twice
    value = "places.hex IS NOT NULL OR places.colour IS NOT NULL OR places.paint IS NOT NULL"
    Place.joins(:follow).where(value).map { |place| "place #{place.id} follows and keeps a value" }
  end

  def odd_entries
    wrong = Entry.where("hex !~ '^#[0-9A-F]{6}([0-9A-F]{2})?$'").map { |entry| "entry #{entry.id} has no hex" }
    other = Entry.all.reject { |entry| entry.colour.hex == entry.hex }
    wrong + other.map { |entry| "entry #{entry.id} is not what it shows" }
  end

  # A colourway has what its first has, and does not stand without it.
  def torn
    rows = Artwork.order(:id).pluck(:id, :first_id, :removed_at, :name, :template, :part_count)
    firsts = rows.to_h { |id, _, removed_at, *shared| [id, [removed_at, shared]] }
    rows.filter_map do |id, first, removed_at, *shared|
      gone, its = firsts[first]
      "artwork #{id} is no colourway of #{first}" if first && (its != shared || removed_at.nil? && gone)
    end
  end

  def moved
    before, @locked = @locked, locked
    before.filter_map { |id, value| "locked swatch #{id} moved" if @locked.key?(id) && @locked[id] != value }
  end

  def locked = Swatch.where(locked: true).pluck(:id, :colour, :paint).to_h { |id, *value| [id, value] }

  CHECKS = {
    %w[swatches follows places] => ->(watch) { Following::Invariants.broken },
    %w[outfits places follows artworks] => ->(watch) { Following::Invariants.misworn },
    %w[places follows artworks swatches] => ->(watch) { watch.miscounted + watch.loose + watch.kept_twice },
    %w[libraries entries] => ->(watch) { watch.odd_entries },
    %w[artworks] => ->(watch) { watch.torn },
    %w[swatches] => ->(watch) { watch.moved }
  }.freeze

  private

  # Tables that were written to since this was asked last.
  def written
    before, @counts = @counts, counts
    @counts.filter_map { |table, writes| table unless before[table] == writes }
  end

  def counts = Record.connection.select_rows(COUNTED).to_h

  # What a refusal left there: it is compared with what stands when it is taken back.
  def left(touched)
    return [] if touched.empty?
    after = digest(touched)
    Record.connection.rollback_to_savepoint(Record.connection.current_savepoint_name)
    (digest(touched).to_a - after.to_a).map { |table, _| "it refused and changed #{table}" }
  end

  # Each table as the database holds it, in a number.
  def digest(tables)
    number = "SELECT md5(string_agg(t::text, ',' ORDER BY id)) FROM %s t"
    tables.to_h { |table| [table, Record.connection.select_value(format(number, table))] }
  end

  def broken(touched) = CHECKS.flat_map { |tables, check| (tables & touched).any? ? check.call(self) : [] }
end
