module Changes
  # Chooses the press of a project, or of the house. It changes no colour, so it is not listed
  # and not undone.
  module ChooseCondition
    # @param project [Project, nil] nil is the house
    # @param condition [Condition, nil] nil is the house's
    def self.perform(project, actor:, condition:)
      return Setting.write(Condition::HOUSE, condition.id.to_s) unless project
      actor.project(project.id).update!(condition:)
    end
  end
end
