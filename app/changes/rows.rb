module Changes
  # What a change did to rows, and how to do it backwards and forwards. An entry is
  # {table, ids, before, after}: before and after are the columns that changed, as one
  # hash where all rows were alike, as one hash a row (with its id) where they were
  # not; nil where the rows did not exist, whole rows where they only did on one side.
  # However many rows an entry has, it is one statement each way.
  class Rows
    class Conflict < StandardError; end

    # A row that was to be written is not there any more.
    class Gone < StandardError; end

    # Up to so many kinds of rows get an entry each; more are told row by row.
    FEW = 8

    # What swatches hold that were rewritten and not touched since, by id.
    # @return [Hash{Integer => Following::Held}]
    attr_reader :known

    # @param entries [Array<Hash>] as #to_a gave them, keys as symbols or strings
    def initialize(entries = [])
      @entries, @known = entries.map { |entry| entry.transform_keys(&:to_sym) }, {}
    end

    def to_a = @entries

    def empty? = @entries.empty?

    # What it writes, for whoever asks what stands on what.
    # @return [Following::Marks]
    def marks = Following::Marks.new(@entries)

    # Rows of one table, made by one statement.
    def created(model, ids)
      @entries << {table: model.table_name, ids: ids.sort, before: nil, after: read(model.table_name, ids)} if ids.any?
    end

    # A row that undo does not delete but marks as removed, since much hangs on it.
    def appeared(record)
      @entries << {table: record.class.table_name, ids: [record.id], before: {"removed_at" => Time.now.utc.iso8601(6)}, after: {"removed_at" => nil}}
    end

    # Rows that go. Whatever refers to them is to be changed before.
    def removed(model, ids)
      forget(model.table_name, ids)
      rows = read(model.table_name, ids)
      @entries << {table: model.table_name, ids: rows.map { |row| row["id"] }, before: rows, after: nil} if rows.any?
      model.where(id: ids).delete_all
    end

    # That the change needs rows which it does not write: undoing what brought them in, or
    # what made swatches shared, would leave it nothing to stand on.
    def standing_on(model, ids)
      @entries << {table: model.table_name, ids:, before: {}, after: {}} if ids.any?
    end

    # Records the columns before and after the block.
    def updating(model, ids, columns)
      table = model.table_name
      columns = columns.map(&:to_s)
      columns |= ["hex"] if table == "swatches" && columns.include?("colour") # kept in step by the model
      columns |= Following::Marks.told(table, columns)
      forget(table, ids)
      before = read(table, ids, columns)
      raise Gone unless before.size == ids.uniq.size
      yield
      changed(table, before.zip(read(table, ids, columns)).reject { |was, is| was == is })
    end

    # Rows that were written, of which it was known what they held.
    # @param before, after [Array<Hash>] what they held and hold, as JSON has it
    # @param swatches [Array<Following::Held>] the same
    def rewritten(before, after, swatches)
      @entries << {table: "swatches", ids: swatches.map(&:id), before:, after:}
      swatches.each { |held| @known[held.id] = held }
    end

    def backwards = reversed.forwards

    # @raise [Conflict] when a row is not as the change left it
    def forwards
      @entries.each { |entry| apply(*entry.values_at(:table, :ids, :before, :after)) unless entry[:after] == {} }
    end

    def reversed
      Rows.new(@entries.reverse.map { |entry| entry.merge(before: entry[:after], after: entry[:before]) })
    end

    private

    def forget(table, ids) = (ids.each { |id| @known.delete(id) } if table == "swatches" && @known.any?)

    def changed(table, pairs)
      return if pairs.empty?
      kinds = ->(some) { some.group_by { |was, is| [was.except("id"), is.except("id")] } }
      alike = kinds.call(pairs) unless kinds.call(pairs.first(FEW + 1)).size > FEW # told from the first ones, mostly
      return @entries << {table:, ids: pairs.map { |was, _| was["id"] }, before: pairs.map(&:first), after: pairs.map(&:last)} if alike.nil? || alike.size > FEW
      alike.each { |(was, is), rows| @entries << {table:, ids: rows.map { |row, _| row["id"] }, before: was, after: is} }
    end

    def apply(table, ids, before, after)
      changed = if before.nil? then insert(table, after)
      elsif after.nil? then connection.exec_delete("DELETE FROM #{name(table)} t USING #{rows(table, ids, before)} was WHERE t.id = was.id AND #{same("t", "was", before)}")
      else
        set = columns(after).without("id").map { |column| "#{quoted(column)} = value.#{quoted(column)}" }.join(", ")
        connection.exec_update(<<~SQL)
          UPDATE #{name(table)} t SET #{set}
          FROM #{rows(table, ids, before)} was, #{rows(table, ids, after)} value
          WHERE t.id = was.id AND t.id = value.id AND #{same("t", "was", before)}
        SQL
      end
      raise Conflict unless changed == ids.size
    end

    # Columns that came later take their defaults.
    def insert(table, rows)
      columns = columns(rows).map { |column| quoted(column) }.join(", ")
      connection.exec_update("INSERT INTO #{name(table)} (#{columns}) SELECT #{columns} FROM jsonb_populate_recordset(NULL::#{name(table)}, #{json(rows)})")
    end

    # A table of the values given: one row each, or the same values for all ids.
    def rows(table, ids, values)
      return "jsonb_populate_recordset(NULL::#{name(table)}, #{json(values)})" if values.is_a?(Array)
      "(SELECT r.* FROM unnest(#{Record.array(ids)}) given, jsonb_populate_record(NULL::#{name(table)}, #{json(values)} || jsonb_build_object('id', given)) r)"
    end

    # Every column still has the value given.
    def same(one, two, values)
      row = ->(of) { "jsonb_build_array(#{columns(values).map { |column| "#{of}.#{quoted(column)}" }.join(", ")})" }
      "#{row.call(one)} = #{row.call(two)}"
    end

    def columns(values) = values.is_a?(Array) ? values.first.keys : values.keys

    def read(table, ids, columns = nil)
      row = columns ? "jsonb_build_object(#{["id", *columns].map { |column| "#{connection.quote(column)}, t.#{quoted(column)}" }.join(", ")})" : "to_jsonb(t) - 'sought'" # which the database makes itself, see Entry
      JSON.parse(connection.select_value("SELECT COALESCE(jsonb_agg(#{row} ORDER BY id), '[]') FROM #{name(table)} t WHERE id = ANY(#{Record.array(ids)})"))
    end

    def name(table) = connection.quote_table_name(table)

    def quoted(column) = connection.quote_column_name(column)

    def json(values) = "#{connection.quote(JSON.generate(values))}::jsonb"

    def connection = Record.connection
  end
end
