# The standing edition of a library as an index of its colours, whose references are the ids
# of its entries. It is made once in each process, and again when anything was done to them
# (Library#stamp); the values come from the database as bytes, which takes a tenth of rows.
class LibraryIndex
  MOST = 40 # libraries
  MADE = {}
  LOCK = Mutex.new
  private_constant :MADE, :LOCK

  # @param library [Library]
  # @return [Magpie::Library::Nearest]
  def self.of(library)
    key = [library.id, library.edition, library.stamp]
    LOCK.synchronize { MADE[key] } || made(library).tap do |index|
      LOCK.synchronize do
        MADE.delete_if { |(id, *), _| id == library.id }
        MADE.shift if MADE.size >= MOST
        MADE[key] = index
      end
    end
  end

  # Doubles as the network has them, and ids as whole numbers of eight bytes.
  def self.made(library)
    bytes = ->(columns) { "string_agg(#{columns}, ''::bytea ORDER BY position, id)" }
    lab, ids = library.entries.reorder(nil).pick(*[bytes.call("float8send(l) || float8send(a) || float8send(b)"), bytes.call("int8send(id)")].map { |sql| Arel.sql(sql) })
    rows, ids = lab.to_s.unpack("G*"), ids.to_s.unpack("q>*")
    Magpie::Library::Nearest.of_lab(rows.each_slice(3).to_a, [1.0] * ids.size, ids)
  end
  private_class_method :made
end
