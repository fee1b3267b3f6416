module Frame
  # What the head of a page tells beside the places: what undo and redo would do, and who
  # signs changes here.
  class Head
    def initialize(project, visitor)
      @project, @visitor = project, visitor
      @turns = Turns.new(project, RecordedChange::TOLD)
    end

    def undo = defined?(@undo) ? @undo : @undo = @turns.to_undo

    def redo = defined?(@redo) ? @redo : @redo = @turns.to_redo

    def who = known&.who

    # @return [Shortcuts]
    def shortcuts = @shortcuts ||= Shortcuts.new(known&.keys || {})

    # Whom the job is for, and the job; the job alone where nobody was named.
    def job
      return [@project.name, nil] if @project.client.empty?
      [@project.client, @project.name.sub(/\A\p{Lu}(?=\p{Ll})/, &:downcase)]
    end

    def title = [@project.client, @project.name].reject(&:empty?).join(", ")

    private

    def known = defined?(@known) ? @known : @known = Visitor.find_by(mark: @visitor)
  end
end
