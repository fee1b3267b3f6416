# How often anything was changed, undone or done again in the house, and in one project:
# pages ask whether somebody else did something, and forms whether it was only their own
# window.
class HouseVersion
  # @param actor [Actor]
  # @param project [Project] the one that is looked at
  # @param hand [Hand, nil] whose content counts too
  def initialize(actor, project, hand = nil)
    @actor, @project, @hand = actor, project, hand
  end

  # As pages carry it: of the house, of the project, of the hand.
  def to_s = [house, @project.version, @hand ? @hand.version : 0].join("-")

  # Has nobody but the actor's own window done anything in the house since the page that
  # it shows was made?
  def alone?
    return false unless @actor.window && @actor.seen
    seen_house, seen = @actor.seen.split("-").map(&:to_i)
    state[:turned_by] == @actor.window && state[:turned_from] <= seen && house - state[:version] == seen_house - seen
  end

  private

  def house = @house ||= @actor.projects.sum(:version)

  def state = @state ||= %i[version turned_by turned_from].zip(@actor.projects.where(id: @project.id).pick(:version, :turned_by, :turned_from)).to_h
end
