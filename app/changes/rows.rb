module Changes
  # What a change did to rows, and how to do it backwards and forwards. Entries are
  # {table, ids, before, after}; before and after hold the columns that changed, or
  # the whole row where it did not exist.
  class Rows
    class Conflict < StandardError; end

    # @param entries [Array<Hash>] as #to_a gave them, keys as symbols or strings
    def initialize(entries = []) = @entries = entries.map { |entry| entry.transform_keys(&:to_sym) }

    def to_a = @entries

    def empty? = @entries.empty?

    def created(record)
      @entries << {table: record.class.table_name, ids: [record.id], before: nil, after: read(record.class.table_name, [record.id]).first}
    end

    # Several rows of one table, made by one statement.
    def all_created(model, ids)
      read(model.table_name, ids).each { |row| @entries << {table: model.table_name, ids: [row["id"]], before: nil, after: row} }
    end

    # A row that undo does not delete but marks as removed, since much hangs on it.
    def appeared(record)
      @entries << {table: record.class.table_name, ids: [record.id], before: {"removed_at" => Time.now.utc.iso8601(6)}, after: {"removed_at" => nil}}
    end

    # Rows that go. Whatever refers to them is to be changed before.
    def removed(model, ids)
      read(model.table_name, ids).each { |row| @entries << {table: model.table_name, ids: [row["id"]], before: row, after: nil} }
      model.where(id: ids).delete_all
    end

    # Ids of the swatches that get another value.
    def valued_swatches
      @entries.select { |entry| entry[:table] == "swatches" && entry[:after] && (entry[:after].keys & %w[colour paint]).any? }.flat_map { |entry| entry[:ids] }.uniq
    end

    # Records the columns before and after the block. Rows that were alike share an entry.
    def updating(model, ids, columns)
      table = model.table_name
      columns = columns.map(&:to_s)
      columns |= ["hex"] if table == "swatches" && columns.include?("colour") # kept in step by the model
      before = read(table, ids, columns)
      yield
      after = read(table, ids, columns)
      pairs = before.zip(after).reject { |was, is| was == is }.group_by { |was, is| [was.except("id"), is.except("id")] }
      pairs.each { |(was, is), rows| @entries << {table:, ids: rows.map { |row, _| row["id"] }, before: was, after: is} }
    end

    def backwards = reversed.forwards

    # @raise [Conflict] when a row is not as the change left it
    def forwards
      @entries.each { |entry| apply(*entry.values_at(:table, :ids, :before, :after)) }
    end

    # [[table, id], …] of the rows that it touched.
    def keys = @entries.flat_map { |entry| entry[:ids].map { |id| [entry[:table], id] } }

    # [[table, id], …] of the rows that it made others point at.
    def references
      @entries.flat_map do |entry|
        (entry[:after] || {}).filter_map { |column, id| [REFERENCES[column], id] if REFERENCES[column] && id }
      end
    end

    private

    REFERENCES = {"swatch_id" => "swatches", "tint_of_id" => "swatches", "group_id" => "groups", "palette_id" => "palettes", "find_id" => "finds", "source_id" => "sources"}.freeze
    private_constant :REFERENCES

    def reversed
      Rows.new(@entries.reverse.map { |entry| entry.merge(before: entry[:after], after: entry[:before]) })
    end

    def apply(table, ids, before, after)
      columns = after&.keys.to_a.map { |column| connection.quote_column_name(column) }.join(", ")
      changed = if before.nil? # columns that came later take their defaults
        connection.exec_update("INSERT INTO #{name(table)} (#{columns}) SELECT #{columns} FROM jsonb_populate_record(NULL::#{name(table)}, #{json(after)})")
      elsif after.nil?
        connection.exec_update("DELETE FROM #{name(table)} t WHERE id = ANY(#{array(ids)}) AND #{holds(table, before)}")
      else
        connection.exec_update(<<~SQL)
          UPDATE #{name(table)} t SET (#{columns}) = (SELECT #{columns} FROM jsonb_populate_record(NULL::#{name(table)}, #{json(after)}))
          WHERE id = ANY(#{array(ids)}) AND #{holds(table, before)}
        SQL
      end
      raise Conflict unless changed == ids.size
    end

    # Every column still has the value given.
    def holds(table, values)
      columns = values.keys.map { |column| connection.quote_column_name(column) }
      row = ->(of) { "jsonb_build_array(#{columns.map { |column| "#{of}.#{column}" }.join(", ")})" }
      "#{row.call("t")} = (SELECT #{row.call("was")} FROM jsonb_populate_record(NULL::#{name(table)}, #{json(values)}) was)"
    end

    def read(table, ids, columns = nil)
      row = columns ? "jsonb_build_object(#{["id", *columns].map { |column| "#{connection.quote(column)}, t.#{connection.quote_column_name(column)}" }.join(", ")})" : "to_jsonb(t)"
      connection.select_values("SELECT #{row} FROM #{name(table)} t WHERE id = ANY(#{array(ids)}) ORDER BY id").map { |text| JSON.parse(text) }
    end

    def name(table) = connection.quote_table_name(table)

    def array(ids) = "'{#{ids.map { |id| Integer(id) }.join(",")}}'::bigint[]"

    def json(values) = "#{connection.quote(JSON.generate(values))}::jsonb"

    def connection = Record.connection
  end
end
