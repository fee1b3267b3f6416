module Changes
  # Brings the ICC profile of a press in as a press condition of the house.
  class BringInCondition < Change
    LONGEST = 120 # characters of a name

    # @param name [String] of the file
    # @param bytes [String]
    def initialize(project, name:, bytes:)
      super(project)
      @file, @bytes = Magpie::Text.name(name), bytes
    end

    private

    # What a condition makes is asked for at once, so that a profile that cannot be used is
    # refused here and not later.
    def prepare
      @profile = Magpie::Walls.profile(@bytes, name: @file)
      @intent = @profile.intents.include?(:relative) ? :relative : @profile.intents.first
      Magpie::Walls.proofs(Magpie::Press::Condition.new(@file, @bytes, intent: @intent), [Magpie::Color.new(:lab, [50.0, 20.0, 20.0])])
    end

    def make
      sha256 = Blob.keep(@bytes, "application/vnd.iccprofile")
      there = actor.conditions.find_by(sha256:)
      raise Magpie::Error, "#{@file} is here already, as #{there.name}" if there
      name = Magpie::ColorName.unused(@profile.description.presence&.slice(0, LONGEST) || @file, actor.conditions.pluck(:name))
      @condition = bring_in(Condition, name:, file: @file, sha256:, intents: @profile.intents, intent: @intent, most_ink: @profile.limit.round)
    end

    def words = "Brought in the press #{@condition.name}"
  end
end
