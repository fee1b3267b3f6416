module Changes
  # Chooses what parts of drawings get that come into a project, where their file says no
  # fill. It changes no artwork, so it is not listed and not undone.
  module SetDefault
    # @param swatch [Swatch, nil] nil leaves them black, as files do
    # @raise [Magpie::Error]
    def self.perform(project, actor:, swatch:)
      raise Magpie::Error, "#{swatch.name} is loose: share it first, so that it can be followed" if swatch && !swatch.shared
      actor.project(project.id).update!(default_swatch_id: swatch&.id)
    end
  end
end
