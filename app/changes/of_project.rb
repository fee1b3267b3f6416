module Changes
  # What touches nothing but its own project: sources, finds, an artwork that comes. It
  # keeps nobody waiting who works on the swatches of the house.
  module OfProject
    private

    def lock = actor.projects.lock.find(project.id)
  end
end
