module Changes
  # How the lines of parts are drawn and the parts are seen: width and dash, opacity,
  # blending. What is nil is as the file has it again.
  class SetSettings < Change
    include OfParts
    include Likeness

    WORDS = {width: "line width", dash: "dash", cap: "ends", join: "corners", limit: "reach of corners", side: "side of the line", run: "run of the line", first_mark: "first mark", last_mark: "last mark", grain: "grain", grain_size: "size of the grain", opacity: "opacity", blend: "blending", filter: "filter", hidden: "eye"}.freeze

    # @param settings [Hash{Symbol => Object}] see Magpie::Artwork::Settings
    # @raise [Magpie::Error]
    def initialize(project, settings:, **given)
      super(project, **given)
      Magpie::Artwork::Settings.from(settings)
      @settings = settings
    end

    private

    def make
      raise Magpie::Error, "Nothing is set" if @settings.empty?
      found_parts
      found = @artwork.places_of(@numbers).where(role: roles).joins(:part).order(:id).pluck(:id, :role)
      raise @artwork.without_parts(@numbers) if found.empty?
      @rows.standing_on(Artwork, [@artwork.id])
      roles_of = own([@artwork], found.map(&:first)).zip(found.map(&:last)).to_h
      update_each(Place, Place.among(roles_of.keys).pluck(:id, :settings).to_h { |id, was| [id, {settings: merged(was, roles_of[id])}] })
      take_off(roles_of.select { |_, role| leaves?(role) }.keys)
    end

    # What an outfit says is set otherwise.
    def leaves?(role) = Outfit::SETTINGS.fetch(role).intersect?(@settings.keys)

    def roles = Magpie::Artwork::Settings::OF.keys.select { |role| of(role).any? }

    def of(role) = @settings.slice(*Magpie::Artwork::Settings::OF.fetch(role)).transform_keys(&:to_s)

    def merged(was, role) = {**was.to_h, **of(role)}.compact.presence

    def words
      return "#{@settings[:hidden] ? "Hid" : "Showed"} #{parts}" if @settings.keys == [:hidden]
      return "Drew #{parts} as the file has it" if @settings.values.all?(&:nil?)
      "Set the #{Magpie::Text.list(@settings.keys.map { |name| WORDS[name] })} of #{parts}"
    end
  end
end
