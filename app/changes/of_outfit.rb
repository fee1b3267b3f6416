module Changes
  # Parts, painted and drawn alike, from which an outfit is made, or made anew.
  module OfOutfit
    include OfParts
    include Ties
    include Likeness

    private

    # One place of each role that is as all of them are.
    # @return [Hash{String => Place}]
    # @raise [Magpie::Error]
    def models
      @models ||= begin
        shown = @artwork.places.where(part_id: @artwork.parts.numbered(@numbers).reorder(nil).select(:id), role: Outfit::ROLES).includes(:part, :follow, :inks).order(:id).to_a
        shown.group_by(&:role).transform_values { |places| alike(places) }.tap do |found|
          raise @artwork.without_parts(@numbers) unless found.keys.sort == Outfit::ROLES.sort
        end
      end
    end

    def alike(places)
      first, role = places.first, places.first.role
      raise Magpie::Error, "The #{role} of #{first.part.label} is a gradient or pattern of its file, which no other file has. Give it another first" if first.kind == "reference"
      looks = places.map { |place| [place.kind, place.colour&.to_h, place.opacity, place.paint&.to_h, place.laid&.to_h, place.swatch_id, place.inks.map { |tie| [tie.ink, tie.swatch_id] }.sort] }
      raise Magpie::Error, "The parts that are picked have different #{role}s. Pick one of them, or some that are alike" if looks.uniq.size > 1
      first
    end

    # How they are drawn, whether their file says so or a person did: another file says something else.
    # @return [Hash{String => Object}]
    def drawn(role)
      common = (@common ||= PartSettings.new(@artwork, @numbers).common).slice(*Outfit::SETTINGS.fetch(role))
      raise Magpie::Error, "The parts that are picked are drawn differently. Pick one of them, or some that are alike" if common.value?(:mixed)
      Magpie::Artwork::Settings.from(common).kept(role)
    end

    # What the outfit holds becomes what they have; they wear it, with all that wear it already.
    # @param worn [Hash{String => Array<Integer>}] places by role
    def hold(outfit, worn)
      held = outfit.places.index_by(&:role)
      models.each do |role, model|
        settings = drawn(role) # said first, since it may be refused
        paint_like([held.fetch(role).id], model, settings:, outfit_id: outfit.id)
      end
      wear(outfit, worn)
    end
  end
end
