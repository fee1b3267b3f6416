require "zlib"

module Following
  # What a recorded change leaves behind on the rows of the house, and so what may stand
  # on it: rows that it made or took away, columns that it wrote, rows that it points at.
  class Marks
    # Which table a column points at.
    REFERENCES = {
      "swatch_id" => "swatches", "follower_id" => "swatches", "place_id" => "places", "group_id" => "groups", "palette_id" => "palettes",
      "find_id" => "finds", "source_id" => "sources", "artwork_id" => "artworks", "first_id" => "artworks", "part_id" => "parts", "outfit_id" => "outfits",
      "entry_id" => "entries", "variant_id" => "variants", "board_id" => "boards", "library_id" => "libraries"
    }.freeze
    # What a place depends on that is painted with a swatch; what a tint or an ink does; what
    # one does that wears an outfit; what anything else does that points at a row.
    PAINTED, MADE, WORN, THERE = %w[shared], %w[shared colour hex paint], %w[edition], %w[removed_at]
    # What does that stands in an edition of a library.
    LISTED = %w[edition removed_at]
    # By the table that is pointed at.
    NEEDS = {"swatches" => PAINTED, "outfits" => WORN, "libraries" => LISTED}.tap { |needs| needs.default = THERE }.freeze
    # What must be as it was for a place to begin or end to wear something.
    WEARING = Place::HELD
    # What a lock holds fast.
    HELD = %w[colour hex paint]
    WHOLE = "whole"
    UNHELD = [WHOLE, "locked"]
    # What can be there once only: a name, or a place of a colourway, that became free may
    # have been taken since.
    ONCE = {"swatches" => %w[group_id name], "uses" => %w[project_id palette_id], "outfits" => %w[palette_id name], "places" => %w[artwork_id part_id role]}.freeze
    # Tables as numbers, for #touched.
    TABLES = %w[once swatches groups palettes uses finds sources artworks places parts follows patches outfits libraries entries own_tiles conditions boards variants].freeze

    # Columns that must be told with others: which way something follows, and all of
    # what can be there once only.
    def self.told(table, columns)
      return %w[place_id ink] if table == "follows"
      (ONCE.fetch(table, []) & columns).any? ? ONCE[table] : []
    end

    # @!attribute written [Hash{[table, id] => Array<String>}] columns, WHOLE where the row came or went
    # @!attribute after, before [Hash{[table, id] => Array<String>}] rows that what it
    #   wrote, or what it replaced, points at, and which of their columns it depends on
    attr_reader :written, :after, :before

    # @param entries [Array<Hash>] what a recorded change wrote, see its rows
    def initialize(entries)
      @written, @after, @before = Array.new(3) { {} }
      entries.each { |entry| add(*entry.transform_keys(&:to_sym).values_at(:table, :ids, :before, :after)) }
    end

    # Does the one that came later stand on this one: would this one's undoing take
    # something away that it needs, or bring something back that it has outdated? What
    # this one let follow something moved with it, when the later one moved that.
    # @param later [Marks]
    def stood_on_by?(later)
      written.any? { |key, columns| meet?(columns, later.written[key]) || take?(columns, later.after[key]) } ||
        [before, after].any? { |references| references.any? { |key, needs| take?(later.written[key], needs) } }
    end

    # All rows of the above as one number each, which the database can compare.
    # @return [Array<Integer>]
    def touched = [*written.keys, *after.keys, *before.keys].uniq.map { |table, id| TABLES.index(table) << 48 | id }

    # Swatches that were given another value, or came or went.
    # @return [Array<Integer>] ids
    def valued(of = %w[colour paint]) = written.filter_map { |(table, id), columns| id if table == "swatches" && (columns.include?(WHOLE) || columns.intersect?(of)) }

    # Swatches that have to be looked at when it is done: valued, shared, and those at
    # both ends of what follows.
    # @return [Array<Integer>] ids
    def swatches = (valued(MADE) + [*after.keys, *before.keys].filter_map { |table, id| id if table == "swatches" }).uniq

    # Swatches whose value changed while they stayed, and whose lock was left alone.
    # @return [Array<Integer>] ids
    def moved = written.filter_map { |(table, id), columns| id if table == "swatches" && columns.intersect?(HELD) && !columns.intersect?(UNHELD) }

    # Outfits that came or went, or that something was given, or wears, or wore.
    # @return [Array<Integer>] ids
    def outfits = [*written.keys, *after.keys, *before.keys].filter_map { |table, id| id if table == "outfits" }.uniq

    private

    def add(table, ids, before, after)
      return ids.each { |id| need(@after, [table, id], NEEDS[table]) } if after == {}
      columns = (before && after) ? [before, after].flat_map { |rows| columns_of(rows) }.uniq - ["id"] : [WHOLE]
      columns |= WEARING if table == "places" && columns.include?("outfit_id") && [before, after].flatten.compact.any? { |row| row["outfit_id"] }
      ids.each { |id| need(@written, [table, id], columns) }
      [[before, @before], [after, @after]].each { |rows, found| [rows].flatten.compact.each { |row| point(table, row, found) } } if columns == [WHOLE] || REFERENCES.keys.intersect?(columns)
      once(table, before) { |key| need(@before, key, [WHOLE]) }
      once(table, after) { |key| need(@written, key, [WHOLE]) }
    end

    # Those of one row are those of all.
    def columns_of(rows) = (rows.is_a?(Array) ? rows.first : rows).keys

    def once(table, rows)
      columns = ONCE[table] or return
      [rows].flatten.compact.each { |row| yield ["once", Zlib.crc32([table, *row.values_at(*columns)].join("/").downcase)] if columns.all? { |column| row[column] } }
    end

    def need(all, key, columns) = all[key] = all.key?(key) ? all[key] | columns : columns

    def point(table, row, found)
      needs = ((row["place_id"] && row["ink"].nil?) ? PAINTED : MADE) if table == "follows"
      row.each { |column, id| need(found, [REFERENCES[column], id], needs || ((column == "outfit_id") ? WORN : THERE)) if id && REFERENCES[column] }
    end

    # Both wrote the same, or one wrote what the other's lock holds.
    def meet?(mine, theirs)
      return false unless theirs
      return true if mine.include?(WHOLE) || theirs.include?(WHOLE) || mine.intersect?(theirs)
      [[mine, theirs], [theirs, mine]].any? { |one, two| one.include?("locked") && two.intersect?(HELD) }
    end

    def take?(columns, needs) = columns && needs && (columns.include?(WHOLE) || columns.intersect?(needs))
  end
end
