module Changes
  # Takes a ground off a board. The last one stays.
  class RemoveVariant < Change
    include OfBoard

    def initialize(project, variant:)
      super(project)
      @variant = variant
    end

    private

    def make
      variant = found(@variant)
      raise Magpie::Error, "#{variant.board.name} has no other ground. Add one first, or remove the board" if variant.board.variants.count == 1
      take_places(Place.where(variant_id: variant.id).ids)
      remove(Variant, [variant.id])
    end

    def words = "Removed the ground #{@variant.name} from #{@variant.board.name}"
  end
end
