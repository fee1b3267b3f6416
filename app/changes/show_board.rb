module Changes
  # Gives a board a page that whoever has its address can see, or takes that away. It changes
  # no colour, so it is not listed and not undone.
  module ShowBoard
    # @param on [Boolean]
    # @return [Board]
    def self.perform(project, actor:, board:, on:)
      actor.project(project.id).boards.find(board.id).tap { |found| found.update!(show_key: on ? (found.show_key || SecureRandom.urlsafe_base64(18)) : nil) }
    end
  end
end
