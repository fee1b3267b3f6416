# Entries of libraries that are called or numbered as somebody typed, and where few are, those
# that are called alike. Trigrams find them (pg_trgm); codes are found with and without what
# stands between letters and numbers.
class SoughtEntries
  MOST = 60
  FEW = 5 # below which what is spelt alike is looked for too
  ALIKE = 0.5 # trigrams of what was typed that one word of an entry has
  CANDIDATES = 120
  ROUGHLY = 60 # of those that are spelt alike, the first that are met

  # @param libraries [Array<Library>]
  # @param text [String]
  def initialize(libraries, text)
    @libraries, @text = libraries, text.downcase.strip.squeeze(" ")[0, 80]
  end

  # Exact codes first, then what begins so, what has it anywhere, what is spelt alike.
  # @return [Array<Integer>] ids
  def ids
    return [] if @text.empty? || @libraries.empty?
    @ids ||= begin
      found = coded | named
      (found.size < FEW && @text.size > 2) ? (found | alike) : found
    end.first(MOST)
  end

  private

  def standing = Entry.where("(library_id, edition) IN (#{@libraries.map { |library| "(#{library.id},#{library.edition})" }.join(",")})")

  def like = Entry.sanitize_sql_like(@text)

  def bare = @text.gsub(/[^[:alnum:]]/, "")

  # "TF 088", "tf088", "tf 88", "88": letters may be left out, and zeros before a number.
  def coded
    letters, digits, rest = bare.match(/\A(\p{L}*)0*(\d+)(.*)\z/)&.captures
    return [] unless digits
    exact = "lower(regexp_replace(code, '[^[:alnum:]]', '', 'g'))"
    standing.where("sought LIKE ?", "%#{digits}%").where("#{exact} ~ ?", "^#{letters.empty? ? "[^0-9]*" : letters}0*#{digits}#{rest}$").limit(CANDIDATES).pluck(:position, :id).sort.map(&:last)
  end

  # What begins so, and what has it anywhere; of one or two letters, which make no trigram
  # within a word, the words that begin so.
  def named = written("#{like}%") | written((@text.size > 2) ? "%#{like}%" : "% #{like}%")

  def written(pattern) = standing.where("sought LIKE ?", pattern).limit(CANDIDATES).pluck(:position, :id).sort.map(&:last)

  # The planner knows little of trigrams, and would read all where the index finds them.
  def alike
    Record.transaction do
      Record.connection.execute("SET LOCAL enable_seqscan = off; SET LOCAL enable_indexscan = off; SET LOCAL pg_trgm.word_similarity_threshold = #{ALIKE}")
      near = standing.where("? <% sought", @text).limit(ROUGHLY).select(:id, :position, :sought)
      found = Entry.from(near, :near).order(Arel.sql("word_similarity(#{Record.connection.quote(@text)}, near.sought) DESC, near.position, near.id")).limit(MOST).pluck("near.id")
      Record.connection.execute("SET LOCAL enable_seqscan = on; SET LOCAL enable_indexscan = on")
      found
    end
  end
end
