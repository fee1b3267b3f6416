# The standing editions of libraries as an index of their colours, whose references are the ids
# of their entries. It is made once in each process, and again when anything was done to them
# (Library#stamp); the values come from the database as bytes, which takes a tenth of rows.
class LibraryIndex
  MOST = 40 # indexes
  # Entries of a library up to which it shares an index with others: one question is cheaper
  # than several.
  SMALL = 2_000
  MADE = {}
  LOCK = Mutex.new
  private_constant :MADE, :LOCK

  # @param libraries [Array<Library>]
  # @param sizes [Array<Integer>] how many entries they have
  # @return [Array<Magpie::Library::Nearest>] as few as make sense
  def self.all(libraries, sizes)
    small, large = libraries.zip(sizes).partition { |_, size| size <= SMALL }.map { |pairs| pairs.map(&:first) }
    [*large.map { |library| of(library) }, *(of(*small) if small.any?)]
  end

  # @param libraries [Array<Library>]
  # @return [Magpie::Library::Nearest]
  def self.of(*libraries)
    ids, key = libraries.map(&:id), libraries.map { |library| [library.id, library.edition, library.stamp] }
    LOCK.synchronize { MADE[key] } || made(libraries).tap do |index|
      LOCK.synchronize do
        MADE.delete_if { |known, _| known.map(&:first) == ids }
        MADE.shift if MADE.size >= MOST
        MADE[key] = index
      end
    end
  end

  # Doubles as the network has them, and ids as whole numbers of eight bytes.
  def self.made(libraries)
    bytes = ->(columns) { "string_agg(#{columns}, ''::bytea ORDER BY library_id, position, id)" }
    standing = libraries.map { |library| Entry.where(library_id: library.id, edition: library.edition) }.reduce(:or)
    lab, ids = standing.pick(*[bytes.call("float8send(l) || float8send(a) || float8send(b)"), bytes.call("int8send(id)")].map { |sql| Arel.sql(sql) })
    rows, ids = lab.to_s.unpack("G*"), ids.to_s.unpack("q>*")
    Magpie::Library::Nearest.of_lab(rows.each_slice(3).to_a, [1.0] * ids.size, ids)
  end
  private_class_method :made
end
