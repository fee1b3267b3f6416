require "support/walk"

# Other sequences are walked in each run; SEED=… walks the same again, and
# WALK=5000 bin/test spec/following/walk_spec.rb as long as one likes.
RSpec.describe Following, "through any sequence of changes, undo and redo" do
  sequences = Integer(ENV.fetch("WALK", "20"))
  seed = Integer(ENV.fetch("SEED", rand(1_000_000).to_s))

  # Everything as the database holds it, in a number for each table. What nothing was written to
  # since it was looked at last, also by what was taken back, is as it was: PostgreSQL counts.
  tables = %w[swatches groups palettes uses places follows outfits patches artworks parts libraries entries boards variants]
  counted = "SELECT relname, n_tup_ins + n_tup_upd + n_tup_del FROM pg_stat_xact_user_tables WHERE relname IN ('#{tables.join("', '")}')"

  define_method(:digest) do
    Record.connection.select_rows(counted).each do |table, writes|
      next if @digests[table]&.first == writes
      @digests[table] = [writes, Record.connection.select_value("SELECT md5(string_agg(t::text, ',' ORDER BY id)) FROM #{table} t")]
    end
    @digests.transform_values(&:last)
  end

  # How many places follow each swatch is kept by the database.
  def miscounted
    counted = Record.connection.select_rows("SELECT p.artwork_id, f.swatch_id, count(*) FROM follows f JOIN places p ON p.id = f.place_id AND p.artwork_id IS NOT NULL WHERE f.ink IS NULL GROUP BY 1, 2").to_set
    kept = Record.connection.select_rows("SELECT artwork_id, swatch_id, places FROM reaches").to_set
    (counted ^ kept).map { |artwork, swatch, places| "#{places} places of artwork #{artwork} are said to follow swatch #{swatch}" }
  end

  # What pages were not told adds up: they are looked at now and then.
  def shown(walk, step) = (step % 8 == 7) ? walk.pages : []

  # A colourway has what its first has, and does not stand without it.
  def torn
    rows = Artwork.order(:id).pluck(:id, :first_id, :removed_at, :name, :template, :part_count)
    firsts = rows.to_h { |id, _, removed_at, *shared| [id, [removed_at, shared]] }
    rows.filter_map { |id, first, removed_at, *shared| "artwork #{id} is no colourway of #{first}" if first && (firsts[first][1] != shared || removed_at.nil? && firsts[first][0]) }
  end

  def locked = Swatch.where(locked: true).pluck(:id, :colour, :paint).to_h { |id, *value| [id, value] }

  def wrong(before)
    wrong = Following::Invariants.broken + Following::Invariants.misworn + miscounted
    wrong += Follow.joins(:swatch).where(swatches: {shared: false}).map { |tie| "something follows #{tie.swatch.name}, which is loose" }
    wrong += Place.joins(:follow).where("places.hex IS NOT NULL OR places.colour IS NOT NULL OR places.paint IS NOT NULL").map { |place| "place #{place.id} follows and keeps a value" }
    wrong += Library.standing.reject { |library| library.entries.map(&:position).then { |positions| positions.uniq == positions } }.map { |library| "entries of #{library.name} stand on one another" }
    wrong += Entry.where("hex !~ '^#[0-9A-F]{6}([0-9A-F]{2})?$'").map { |entry| "entry #{entry.id} has no hex" } + Entry.all.reject { |entry| entry.colour.hex == entry.hex }.map { |entry| "entry #{entry.id} is not what it shows" }
    wrong += torn
    now = locked
    wrong + before.filter_map { |id, value| "locked swatch #{id} moved" if now.key?(id) && now[id] != value }
  end

  # The sequences lie on four examples, so that cores can share them.
  4.times do |quarter|
    it "keeps every invariant, and changes nothing where it refuses (#{quarter + 1} of 4)" do
      world = Walk.new
      (quarter...sequences).step(4) do |number|
        Record.transaction(requires_new: true) do
          @digests = {} # what was taken back with the sequence before was not counted
          walk = world.from(seed + number)
          40.times do |step|
            held, was = locked, digest
            outcome = walk.step
            expect(digest).to eq(was), -> { "it refused and changed something:\n#{walk.story.join("\n")}" } if outcome == :refused
            expect(wrong(held) + shown(walk, step)).to eq([]), -> { "#{(wrong(held) + shown(walk, step)).join("; ")}:\n#{walk.story.join("\n")}" }
          rescue RSpec::Expectations::ExpectationNotMetError
            raise
          rescue => error
            raise "#{error.class}: #{error.message}\n#{error.backtrace.grep(/main\/(app|spec)/).first(6).join("\n")}\n#{walk.story.join("\n")}"
          end
          raise ActiveRecord::Rollback
        end
      end
    end
  end
end
