module Changes
  # An outfit becomes what parts have, and so do all parts that wear it, in whatever artwork.
  class ChangeOutfit < Change
    include OfOutfit

    # @param outfit [Outfit]
    # @param saw [Integer, nil] its edition that the person saw
    def initialize(project, outfit:, saw: nil, **given)
      super(project, **given)
      @outfit, @saw = outfit, saw
    end

    # @return [Integer] how many parts have it now
    attr_reader :reached

    private

    def make
      @outfit.lock!
      raise Magpie::Error, "#{@outfit.name} was changed meanwhile. Nothing was done. Look at it, and do it again" if @saw && @saw != @outfit.edition
      wearing = @outfit.worn.order(:id).pluck(:role, :id).group_by(&:first).transform_values { |rows| rows.map(&:last) }
      (@owned ||= Set.new).merge(wearing.values.flatten)
      hold(@outfit, wearing.merge(places_by_role(@artwork, @numbers)) { |_, one, two| one | two })
      @reached = Outfit.reach(actor, @outfit.id).values.sum
      self
    end

    def words = "Changed the outfit #{@outfit.name}, which #{count(@reached, "part")} #{(@reached == 1) ? "wears" : "wear"}"
  end
end
