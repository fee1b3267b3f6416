module Changes
  # Sets a press condition up: its name, how colours come to it, how much ink it may lay.
  class EditCondition < Change
    # @param most_ink [Float, nil] per cent in all; nil is no limit
    def initialize(project, condition:, name:, intent:, black_point:, greys:, most_ink:)
      super(project)
      @condition = condition
      @given = {name: Magpie::Text.name(name, longest: BringInCondition::LONGEST), intent:, black_point:, greys:, most_ink:}
    end

    private

    def make
      condition = actor.conditions.lock.find(@condition.id)
      check(condition)
      @was, @changed = condition.name, @given.reject { |field, value| condition[field] == value }
      @changed.any? ? update(condition, **@changed) : @rows = Rows.new
      condition
    end

    def check(condition)
      name, intent, most_ink = @given.values_at(:name, :intent, :most_ink)
      raise Magpie::Error, "A press needs a name" if name.empty?
      raise Magpie::Error, "There is a press called #{name} already" if actor.conditions.where.not(id: condition.id).pluck(:name).any? { |other| other.casecmp?(name) }
      raise Magpie::Error, "The profile of #{condition.name} has no tables for #{intent.inspect}" unless condition.intents.include?(intent)
      raise Magpie::Error, "A limit of #{most_ink} % is none that four inks have: expected #{Condition::INK.begin.to_i} to #{Condition::INK.end.to_i}" unless most_ink.nil? || Condition::INK.cover?(most_ink)
    end

    def words
      return "Renamed the press #{@was} to #{@given[:name]}" if @changed.keys == [:name]
      "Set up the press #{@given[:name]}"
    end
  end
end
