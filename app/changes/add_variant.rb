module Changes
  # Adds what is in hand to a board as another ground; its trims are those of the one that it
  # was added beside.
  class AddVariant < Change
    include OfBoard

    # @param beside [Variant, nil]
    def initialize(project, board:, content:, beside: nil)
      super(project)
      @board, @content, @beside = board, content, beside
    end

    private

    def make
      board = standing(@board)
      @variant = add_variant(board, @content)
      copy_trims(@beside) if @beside && Variant.exists?(id: @beside.id, board_id: board.id)
      @variant
    end

    def copy_trims(beside)
      update(@variant, trims: beside.trims) if beside.trims.any?
      Place.where(variant_id: beside.id).where.not(role: Variant::GROUND).order(:id).includes(:follow).each do |place|
        made = create_all(Place, [{role: place.role, kind: "none", variant_id: @variant.id}])
        place.swatch_id ? paint_places(made, Swatch.find(place.swatch_id)) : fill_places(made, place.colour)
      end
    end

    def words = "Added the ground #{@variant.name} to #{@board.name}"
  end
end
