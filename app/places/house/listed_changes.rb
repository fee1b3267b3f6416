module Places
  module House
    # The changes of a project, newest first, each with whether it can be taken back alone.
    class ListedChanges
      MOST = 30

      # @!attribute later [RecordedChange, nil] what stands on it
      Line = Struct.new(:change, :later)

      # @param project [Project]
      def initialize(project)
        @changes = RecordedChange.where(project:).order(id: :desc).limit(MOST).to_a
      end

      # @return [Array<Line>]
      def lines
        standing = Following::Standing.new(@changes)
        @changes.map { |change| Line.new(change, (standing.on(change) unless change.undone_at || change.sealed)) }
      end
    end
  end
end
