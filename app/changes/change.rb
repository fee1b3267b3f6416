module Changes
  # Something that a person does to a project. A subclass checks, then writes
  # through #create, #update and #update_all, which record how to reverse it, all in
  # one transaction: it happens whole or not at all.
  class Change
    def self.perform(project, **given) = new(project, **given).perform

    attr_reader :project

    def initialize(project)
      @project = project
      @rows = Rows.new
    end

    # @return whatever #make returns
    # @raise [Magpie::Error] with nothing changed
    def perform
      Record.transaction do
        project.lock!
        result = make
        RecordedChange.create!(project:, words:, who: Signature.who, why:, rows: @rows.to_a, swatch_ids: @rows.valued_swatches) unless @rows.empty?
        result
      end
    rescue ActiveRecord::RecordNotUnique
      raise Magpie::Error, "Somebody else gave that name at the same moment. Look again, and choose another"
    end

    private

    # What was done, as the list of changes says it. Asked for after #make.
    def words = raise(NotImplementedError)

    # The reason that somebody gave for it, if they did.
    def why = nil

    def create(model, **attributes)
      model.create!(**attributes).tap { |record| @rows.created(record) }
    end

    # One statement for any number of rows.
    # @return [Array<Integer>] their ids
    def create_all(model, rows)
      return [] if rows.empty?
      ids = model.insert_all!(rows, returning: :id).map { |row| row["id"] }
      @rows.all_created(model, ids)
      ids
    end

    # A record that undo hides and redo shows again.
    def bring_in(model, **attributes)
      model.create!(created_at: Time.now, **attributes).tap { |record| @rows.appeared(record) }
    end

    def update(record, **attributes)
      @rows.updating(record.class, [record.id], attributes.keys) { record.update!(**attributes) }
    end

    # One statement for any number of rows.
    def update_all(model, ids, **attributes)
      @rows.updating(model, ids, attributes.keys) { model.where(id: ids).update_all(attributes) }
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
