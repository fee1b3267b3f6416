module Changes
  # What a project's colours are seen against. It is no colour of the job, so it is not
  # listed and not undone.
  module SetSurround
    # @param surround [String] one of Project::SURROUNDS; anything else changes nothing
    def self.perform(project, actor:, surround:)
      actor.project(project.id).update!(surround:) if Project::SURROUNDS.key?(surround)
    end
  end
end
