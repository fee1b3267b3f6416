module Changes
  # Takes a press condition away that was brought in. Projects that chose it go on with the
  # house's; undo gives it back to them.
  class RemoveCondition < Change
    def initialize(project, condition:)
      super(project)
      @condition = condition
    end

    private

    def make
      raise Magpie::Error, "#{@condition.name} comes with the application and stays" if @condition.shipped
      update(@condition, removed_at: Time.now)
    end

    def words = "Removed the press #{@condition.name}"
  end
end
