module Changes
  # Something that a person does to a project. A subclass checks, then writes
  # through #create, #update and #update_all, which record how to reverse it, all in
  # one transaction: it happens whole or not at all.
  class Change
    # @param actor [Actor] who does it, and may touch what is given
    def self.perform(project, actor:, **given)
      change = new(project, **given)
      change.actor = actor
      change.perform
    end

    # In one order in all changes, undo and redo: the project, then the house, since
    # swatches and what follows them belong to it, then rows; the hand is written last.
    # @return [Project] as it is now
    def self.lock(project_id, actor) = actor.projects.lock.find(project_id).tap { Following::Graph.lock }

    # @param marks [Following::Marks] of what was just written
    # @param known [Hash{Integer => Following::Held}] what is known of it, see Rows
    # @raise [Following::Invariants::Broken] when it leaves what must not be
    def self.check(marks, known = {})
      broken = Following::Invariants.broken(marks.swatches, known) + Following::Invariants.misworn(marks.outfits)
      moved = marks.moved
      locked = known.values_at(*moved).compact.select(&:locked).map(&:name) + Swatch.among(moved.reject { |id| known.key?(id) }).where(locked: true).pluck(:name)
      broken << "#{locked.join(", ")} moved, and is locked" if locked.any?
      raise Following::Invariants::Broken, broken.first(10).join("; ") if broken.any?
    end

    attr_reader :project
    attr_accessor :actor

    def initialize(project)
      @project = project
      @rows = Rows.new
    end

    # @return whatever #make returns
    # @raise [Magpie::Error] with nothing changed
    def perform
      prepare
      Record.transaction(requires_new: true) do
        lock
        result = make
        record unless @rows.empty?
        result
      end
    rescue ActiveRecord::RecordNotUnique
      raise Magpie::Error, "Somebody else gave that name at the same moment. Look again, and choose another"
    rescue ActiveRecord::RecordNotFound, ActiveRecord::InvalidForeignKey, Rows::Gone
      raise Magpie::Error, "Somebody else removed something of this at the same moment. Nothing was done. Look again"
    end

    # @return [Integer] how many places wear an outfit no longer, after #perform
    def left_outfits = Editions.left(@rows.to_a)

    private

    # What takes long and needs no lock: decoding, reading. Nobody waits for it.
    def prepare = nil

    def lock = Change.lock(project.id, actor)

    def record
      update_all(Outfit, Editions.outdated(@rows.to_a), edition: Arel.sql("edition + 1"))
      marks = @rows.marks
      Change.check(marks, @rows.known)
      RecordedChange.insert!({project_id: project.id, words:, who: actor.who, why:, rows: @rows.to_a, **Values.of(@rows.to_a, marks.valued), touched: marks.touched, created_at: Time.now})
      Project.turn(project.id, actor.window)
    end

    # What was done, as the list of changes says it. Asked for after #make.
    def words = raise(NotImplementedError)

    # The reason that somebody gave for it, if they did.
    def why = nil

    def create(model, **attributes)
      model.create!(**attributes).tap { |record| @rows.created(model, [record.id]) }
    end

    # One statement for any number of rows.
    # @return [Array<Integer>] their ids
    def create_all(model, rows)
      return [] if rows.empty?
      ids = model.insert_all!(rows, returning: :id).map { |row| row["id"] }
      @rows.created(model, ids)
      ids
    end

    # A record that undo hides and redo shows again.
    def bring_in(model, **attributes)
      model.create!(created_at: Time.now, **attributes).tap { |record| @rows.appeared(record) }
    end

    # Nothing where there is nothing to write.
    def update(record, **attributes)
      return if attributes.empty?
      @rows.updating(record.class, [record.id], attributes.keys) { record.update!(**attributes) }
    end

    # What a record holds once nobody else changes it, which may be other than when it was found.
    def now(record, column) = record.class.where(id: record.id).pick(column)

    # One statement for any number of rows.
    def update_all(model, ids, **attributes)
      @rows.updating(model, ids, attributes.keys) { model.where(id: ids).update_all(attributes) } if ids.any?
    end

    # One statement for any number of rows, each with values of its own.
    # @param values [Hash{Integer => Hash}] columns by id, the same ones for each
    def update_each(model, values)
      return if values.empty?
      rows = values.map { |id, row| {id:, **row.transform_values { |value| (value.respond_to?(:to_h) && !value.nil?) ? value.to_h : value }} }
      @rows.updating(model, values.keys, values.first.last.keys) { model.write(rows) }
    end

    # Gives swatches other values, of which it is known what they held: nothing is read.
    # @param were, are [Array<Following::Held>] the same swatches before and after, with
    #   paints all or none of them
    def rewrite(were, are)
      return if are.empty?
      rows = are.map(&:row)
      raise "#{are.size} swatches were to be written" unless Swatch.write(rows) == are.size
      @rows.rewritten(were.map(&:row), rows, are)
    end

    # Moves rows on by so many places, in one statement.
    def shift(model, ids, by)
      @rows.updating(model, ids, [:position]) { model.where(id: ids).update_all(["position = position + ?", by]) }
    end

    def remove(model, ids) = ids.empty? ? nil : @rows.removed(model, ids)

    def next_position(scope) = (scope.maximum(:position) || 0) + 1

    def count(number, word) = Magpie::Text.count(number, word)
  end
end
