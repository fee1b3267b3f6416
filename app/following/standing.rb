module Following
  # Which later change stands on an earlier one, wherever in the house it was made. As
  # long as there is one, the earlier change cannot be undone by itself. Later is what took
  # effect later: what was done again in one project came after what another did meanwhile.
  class Standing
    # @param changes [Array<RecordedChange>] with their rows, to be looked at
    def initialize(changes)
      @changes = changes
      @marks = Hash.new { |known, change| known[change] = Marks.new(change.rows) }.compare_by_identity
    end

    # @param change [RecordedChange] one of them
    # @return [RecordedChange, nil] the newest that stands on it
    def on(change)
      later.find { |other| other.turn > change.turn && (other.touched & change.touched).any? && @marks[change].stood_on_by?(marks_of(other)) }
    end

    private

    # All of the house that took effect after the first of them, newest first.
    def later
      touched = @changes.flat_map(&:touched).uniq
      @later ||= RecordedChange.done.where("turn > ?", @changes.map(&:turn).min).where("touched && ARRAY[?]::bigint[]", touched.presence || [0]).order(turn: :desc).includes(:project).to_a
    end

    def marks_of(other) = @marks[@changes.find { |each| each.id == other.id } || other]
  end
end
