# The entries of a library's standing edition in one of several orders: their ids, their hexes,
# and where runs of them begin that stand together. Made once in each process for what was
# done to them (Library#stamp).
class LibraryChart
  ORDERS = {"chart" => "In the chart's order", "hue" => "By hue", "lightness" => "By lightness", "code" => "By code"}.freeze
  # Less chroma than this has no hue worth an order.
  GREY = 5
  SQL = {
    "chart" => "position, id",
    "hue" => "CASE WHEN a * a + b * b < #{GREY**2} THEN 0 ELSE 1 END, CASE WHEN a * a + b * b < #{GREY**2} THEN -l ELSE atan2d(b, a) - CASE WHEN atan2d(b, a) < 0 THEN -360 ELSE 0 END END, l DESC, position, id",
    "lightness" => "l DESC, position, id",
    # "TF 9" comes before "TF 10".
    "code" => "code IS NULL, regexp_replace(code, '[0-9].*', ''), length(substring(code from '[0-9]+')), code, position, id"
  }.freeze
  COLUMNS = 12 # where the chart does not say
  MOST_RUNS = 3_000 # of a page; more are one
  CELL = /\A([A-Za-z]{1,2})[ -]?(\d{1,3})\z/

  MADE = {}
  LOCK = Mutex.new
  MOST = 12
  private_constant :MADE, :LOCK, :MOST

  # A run of entries that stand together.
  # @!attribute title [String, nil]
  # @!attribute from, size [Integer]
  # @!attribute columns [Integer, nil] nil fills the width
  Run = Struct.new(:title, :from, :size, :columns)

  # @param library [Library]
  # @param order [String] a key of ORDERS
  # @return [LibraryChart]
  def self.of(library, order)
    key = [library.id, library.edition, library.stamp, order]
    LOCK.synchronize { MADE[key] } || new(library, order).tap do |chart|
      LOCK.synchronize do
        MADE.shift while MADE.size >= MOST
        MADE[key] = chart
      end
    end
  end

  # @return [Array<Integer>]
  attr_reader :ids
  # @return [String] six digits for each, one after the other
  attr_reader :hexes
  # @return [Array<Run>]
  attr_reader :runs

  def initialize(library, order)
    rows = library.entries.reorder(Arel.sql(SQL.fetch(order))).pluck(:id, :hex, :section, :page, :cell)
    @ids = rows.map(&:first).freeze
    @hexes = rows.map { |row| row[1][1, 6] }.join.freeze
    @runs = ((order == "chart") ? standing_together(rows) : [Run.new(nil, 0, rows.size, nil)]).freeze
    freeze
  end

  # @param text [String] "3-7,12", numbers from 0
  # @return [Array<Integer>] ids
  # @raise [Magpie::Error]
  def picked(text, most)
    numbers = text.split(",").flat_map do |part|
      from, to = part.split("-", 2).map { |number| Integer(number, 10, exception: false) }
      raise Magpie::Error, "What was selected cannot be read. Select it again" if from.nil? || from.negative? || to && !to.between?(from, from + most)
      [*from..(to || from)]
    end.uniq
    raise Magpie::Error, "#{Magpie::Text.thousands(numbers.size)} entries at once: the limit is #{Magpie::Text.thousands(most)}" if numbers.size > most
    ids.values_at(*numbers).compact
  end

  private

  def standing_together(rows)
    runs = rows.each_index.slice_when { |one, two| rows[one][2..3] != rows[two][2..3] }.map { |some| some.first..some.last }
    return [Run.new(nil, 0, rows.size, COLUMNS)] if runs.size > MOST_RUNS || runs.empty?
    runs.map { |range| Run.new([rows[range.begin][3], rows[range.begin][2]].compact.uniq.join(", ").presence, range.begin, range.size, columns(rows[range])) }
  end

  # As many as its cells say, where those follow each other row by row.
  def columns(rows)
    cells = rows.map { |row| row[4]&.match(CELL)&.captures }
    return COLUMNS unless cells.all?
    across = cells.map { |_, number| number.to_i }
    widest = across.max
    (cells.uniq.size == cells.size && across.each_with_index.all? { |number, index| number == index % widest + 1 }) ? widest : COLUMNS
  end
end
