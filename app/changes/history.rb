module Changes
  # Undo and redo of a project's changes. Either happens whole, or is refused with
  # what stands in its way.
  module History
    module_function

    # @param id [Integer, nil] one change of the list; the last one when nil
    # @return [RecordedChange]
    # @raise [Magpie::Error]
    def undo(project, id = nil)
      turn(project) do
        change = id ? RecordedChange.done.where(project:).find_by(id:) : RecordedChange.next_to_undo(project)
        raise Magpie::Error, "There is nothing to undo" unless change
        attempt(change, "undone") { Rows.new(change.rows).backwards }
        change.update!(undone_at: Time.now)
        change
      end
    end

    # @raise [Magpie::Error]
    def redo(project)
      turn(project) do
        change = RecordedChange.next_to_redo(project) or raise Magpie::Error, "There is nothing to redo"
        attempt(change, "done again") { Rows.new(change.rows).forwards }
        change.update!(undone_at: nil)
        change
      end
    end

    def turn(project)
      Record.transaction do
        project.lock!
        yield
      end
    end

    # In a savepoint of its own, so that the reason can still be looked up.
    def attempt(change, done, &steps)
      Record.transaction(requires_new: true, &steps)
    rescue Rows::Conflict, ActiveRecord::InvalidForeignKey, ActiveRecord::RecordNotUnique
      raise Magpie::Error, "“#{change.words}” cannot be #{done}: #{reason(change)}"
    end

    def reason(change)
      keys = Rows.new(change.rows).keys
      later = RecordedChange.done.where(project_id: change.project_id).where("id > ?", change.id).order(id: :desc)
      later = later.find { |other| stands_on?(Rows.new(other.rows), keys) }
      return "“#{later.words}” came later and stands on it. Undo that first" if later
      "something that was changed since, perhaps in another project, stands on it"
    end

    # Touches one of the rows, or refers to one of them.
    def stands_on?(rows, keys) = (rows.keys & keys).any? || (rows.references & keys).any?
  end
end
