module Places
  module Match
    # The presses of the house: chosen, brought in, set up, removed.
    module Presses
      def self.registered(app)
        # The project's own, or the house's where it has none.
        app.post("/projects/:project/press") do
          Changes::ChooseCondition.perform(project, actor:, condition: param.text(:condition).empty? ? nil : actor.condition(param.id(:condition)))
          go_on
        end

        app.post("/projects/:project/presses") do
          came, failed = bring_in(Changes::BringInCondition)
          tell_what_came(came.map { |condition| "Brought in the press #{condition.name}" }, failed, nil)
        end

        app.post("/projects/:project/presses/:condition") do
          edited = Changes::EditCondition.perform(project, actor:, condition:, **setting_up)
          tell "Set up #{edited.name}"
          go_on
        end

        app.post("/projects/:project/presses/:condition/house") do
          Changes::ChooseCondition.perform(nil, actor:, condition:)
          tell "#{condition.name} is the press of the house now"
          go_on
        end

        app.post("/projects/:project/presses/:condition/remove") do
          Changes::RemoveCondition.perform(project, actor:, condition:)
          tell "Removed #{condition.name}"
          go_on
        end
      end
    end
  end
end
