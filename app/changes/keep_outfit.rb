module Changes
  # Keeps what parts have as an outfit of a palette, under a name; they wear it from then on.
  class KeepOutfit < Change
    include OfOutfit

    # @param palette [Palette]
    # @param name [String, nil] nil calls it after the first of them
    def initialize(project, palette:, name: nil, **given)
      super(project, **given)
      @palette, @name = palette, Magpie::Text.name(name.to_s)
    end

    private

    # @return [Outfit]
    def make
      taken = Outfit.where(palette_id: @palette.id)
      raise Magpie::Error, "#{@palette.name} already has an outfit called #{@name}" if taken.any? { |each| each.name.casecmp?(@name) }
      name = @name.presence || Magpie::ColorName.unused(models["fill"].part.label, taken.map(&:name))
      @outfit = create(Outfit, palette: @palette, name:, position: next_position(taken))
      create_all(Place, Outfit::ROLES.map { |role| {role:, kind: "none", outfit_id: @outfit.id} })
      hold(@outfit, places_by_role(@artwork, @numbers))
      @outfit
    end

    def words = "Kept the outfit #{@outfit.name} in #{@palette.name}"
  end
end
