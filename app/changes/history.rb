module Changes
  # Undo and redo of a project's changes. Either happens whole, or is refused with
  # what stands in its way.
  module History
    module_function

    # @param id [Integer, nil] one change of the list; the last one when nil
    # @param actor [Actor] who turns back
    # @param saw [Integer, nil] the project's version that the person saw; what their own
    #   window did since is theirs
    # @return [RecordedChange]
    # @raise [Magpie::Error]
    def undo(project, id = nil, actor:, saw: nil)
      turn(project, actor, saw) do |seen|
        change = id ? RecordedChange.undoable.where(project:).find_by(id:) : Turns.new(project).to_undo
        raise Magpie::Error, "There is nothing to undo" unless change
        refuse_unseen(change, "Undo would take back") unless seen
        later = Following::Standing.new([change]).on(change)
        raise Magpie::Error, "“#{change.words}” cannot be undone: #{standing(later, change)}" if later
        attempt(change, "undone", Rows.new(change.rows).reversed)
        change.update!(undone_at: Time.now)
        change
      end
    end

    # @raise [Magpie::Error]
    def redo(project, actor:, saw: nil)
      turn(project, actor, saw) do |seen|
        change = Turns.new(project).to_redo or raise Magpie::Error, "There is nothing to redo"
        refuse_unseen(change, "Redo would do again") unless seen
        attempt(change, "done again", Rows.new(change.rows))
        change.update!(undone_at: nil, turn: RecordedChange.next_turn)
        change
      end
    end

    # As Change locks.
    # @yieldparam seen [Boolean] whether it is what the person saw
    def turn(project, actor, saw)
      Record.transaction(requires_new: true) do
        now = Change.lock(project.id, actor)
        yield(saw.nil? || now.turned_only_by?(actor.window, saw)).tap { Project.turn(project.id, actor.window) }
      end
    end

    # In a savepoint of its own. What nobody recorded may still be in the way, and what
    # other projects did since something was undone.
    def attempt(change, done, rows)
      Record.transaction(requires_new: true) do
        Hidden.let_go(rows.to_a)
        rows.forwards
        Change.check(rows.marks)
      end
    rescue Rows::Conflict, Following::Invariants::Broken, ActiveRecord::InvalidForeignKey, ActiveRecord::RecordNotUnique
      raise Magpie::Error, "“#{change.words}” cannot be #{done}: something that was changed since, perhaps in another project, stands on it"
    end

    # Somebody, or another window, did something since.
    def refuse_unseen(change, what)
      raise Magpie::Error, "Something was done since you looked: #{what} “#{change.words}” now. Look, and do it again"
    end

    def standing(later, change)
      there = " in #{later.project.name}" unless later.project_id == change.project_id
      "“#{later.words}”#{there} came later and stands on it. Undo that first"
    end
  end
end
