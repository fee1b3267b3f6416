# The demo's rows for specs that see the whole application: made once for each process, kept
# beside the tables that they are of, and set back before each example. Only tables that an
# example wrote to are touched: what it wrote is newer than what was set back last (PostgreSQL
# notes with each row the transaction that wrote it), or some of it is missing.
#
# Rows are written without triggers and foreign keys, since they are copies of rows that had
# them: 0.35 s of inserting become some milliseconds.
module DemoRows
  # What an example can ask for with `demo:`.
  SETS = {
    small: -> { Demo.load(whole: false) },
    libraries: -> { Demo.load(whole: false) && Demo.libraries(Project.first) },
    whole: -> { Demo.load(whole: true) }
  }.freeze
  NO_ROWS = %w[schema_migrations ar_internal_metadata settings].freeze # of the installation

  OTHERS = 1_000_000 # from which what is no demo is numbered

  @kept = {}

  module_function

  # For an example that commits what it does: these rows, whatever stood there before.
  def stand(set)
    return mend if @stands == set
    keep(set) unless @kept[set]
    empty
    written { copy(set, tables) }
    @stands = set
  end

  # For an example that is taken back: no rows at all.
  def clear
    return unless @stands
    empty
    @stands = nil
  end

  # For an example that is taken back with all that it does.
  def within(set)
    keep(set) unless @kept[set]
    clear
    Record.transaction(joinable: false) do
      unchecked { copy(set, tables) }
      yield
      raise ActiveRecord::Rollback
    end
  end

  # Makes them, and keeps them in a schema of their own. Their numbers begin at 1.
  def keep(set)
    last = sequences
    Demo.clear
    SETS.fetch(set).call
    run("DROP SCHEMA IF EXISTS demo_#{set} CASCADE; CREATE SCHEMA demo_#{set}")
    tables.each { |table| run("CREATE UNLOGGED TABLE demo_#{set}.#{table} AS SELECT #{columns(table)} FROM #{table}") }
    @kept[set] = counts
    number(last)
    empty
    @stands = nil
  end

  # Numbers are never given twice but to the same: what a process remembers by them would be another's.
  def empty
    last = sequences
    Demo.clear
    number(last)
  end

  # Sequences of no table (stamps) were not begun again, and never go back.
  def number(last)
    now = sequences
    run(last.map { |name, given| "SELECT setval('#{name}', #{[given.to_i, now[name].to_i, OTHERS].max})" }.join(";"))
  end

  # Sets back what is not as it was.
  def mend
    written { copy(@stands, changed) }
  end

  def changed
    kept = @kept[@stands]
    asked = tables.map do |table|
      "SELECT '#{table}' WHERE (SELECT count(*) FROM #{table}) <> #{kept[table]} " \
        "OR EXISTS (SELECT FROM #{table} WHERE xmin::text::bigint > #{@written})"
    end
    connection.select_values(asked.join(" UNION ALL "))
  end

  def copy(set, some)
    some.each do |table|
      run("DELETE FROM #{table}; INSERT INTO #{table} (#{columns(table)}) TABLE demo_#{set}.#{table}")
    end
    Setting.where(key: Condition::HOUSE).delete_all
  end

  def written
    Record.transaction do
      unchecked { yield }
      @written = connection.select_value("SELECT pg_current_xact_id()::text::bigint")
    end
  end

  def unchecked
    run("SET LOCAL session_replication_role = replica")
    yield
    run("SET LOCAL session_replication_role = origin")
  end

  def tables = @tables ||= connection.tables - NO_ROWS

  # Those that are written; the others the database computes.
  def columns(table)
    @columns ||= Hash.new do |known, name|
      written = connection.columns(name).reject(&:virtual?).map(&:name)
      known[name] = written.map { |column| connection.quote_column_name(column) }.join(", ")
    end
    @columns[table]
  end

  def counts
    connection.select_rows(tables.map { |table| "SELECT '#{table}', count(*) FROM #{table}" }.join(" UNION ALL ")).to_h
  end

  # Where each stands; nil where it has given nothing yet.
  def sequences
    connection.select_rows("SELECT sequencename, last_value FROM pg_sequences WHERE schemaname = 'public'").to_h
  end

  def run(sql) = connection.execute(sql)

  def connection = Record.connection
end
