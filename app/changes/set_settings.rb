module Changes
  # How the lines of parts are drawn and the parts are seen: width and dash, opacity,
  # blending. What is nil is as the file has it again.
  class SetSettings < Change
    include Colourways

    WORDS = {width: "line width", dash: "dash", opacity: "opacity", blend: "blending", filter: "filter", hidden: "eye"}.freeze

    # @param numbers [Array<Integer>] of parts
    # @param settings [Hash{Symbol => Object}] see Magpie::Artwork::Settings
    def initialize(project, artwork:, numbers:, settings:)
      super(project)
      Magpie::Artwork::Settings.from(settings)
      @artwork, @numbers, @settings = artwork, numbers, settings
    end

    private

    def make
      raise Magpie::Error, "Nothing is set" if @settings.empty?
      found = @artwork.places_of(@numbers).where(role: roles).joins(:part).order(:id).pluck(:id, :role, "parts.label")
      raise @artwork.without_parts(@numbers) if found.empty?
      @labels = found.map(&:last).uniq
      @rows.standing_on(Artwork, [@artwork.id])
      roles_of = own([@artwork], found.map(&:first)).zip(found.map { |_, role, _| role }).to_h
      update_each(Place, Place.among(roles_of.keys).pluck(:id, :settings).to_h { |id, was| [id, {settings: merged(was, roles_of[id])}] })
    end

    def roles = Magpie::Artwork::Settings::OF.keys.select { |role| of(role).any? }

    def of(role) = @settings.slice(*Magpie::Artwork::Settings::OF.fetch(role)).transform_keys(&:to_s)

    def merged(was, role) = {**was.to_h, **of(role)}.compact.presence

    def words
      parts = (@labels.size == 1) ? @labels.first : count(@labels.size, "part")
      return "#{@settings[:hidden] ? "Hid" : "Showed"} #{parts}" if @settings.keys == [:hidden]
      return "Drew #{parts} as the file has it" if @settings.values.all?(&:nil?)
      "Set the #{Magpie::Text.list(@settings.keys.map { |name| WORDS[name] })} of #{parts}"
    end
  end
end
