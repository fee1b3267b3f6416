module Changes
  # Orders swatches among the slots that they have, within each of their groups.
  class OrderSwatches < Change
    include Slots

    # @param key [String] of Magpie::Palette::Order::KEYS
    def initialize(project, swatches:, key:)
      super(project)
      @swatches, @key = swatches, key
    end

    private

    def make
      reach = Reach.of(actor, @swatches.map(&:id))
      @swatches.group_by(&:group_id).each_value do |swatches|
        slots = swatches.map(&:position).sort
        uses = swatches.to_h { |swatch| [swatch, reach.fetch(swatch.id, 0)] }
        Magpie::Palette::Order.by(swatches.sort_by(&:position), @key, uses:).zip(slots).each { |swatch, slot| update(swatch, position: slot) if swatch.position != slot }
      end
    end

    def words = "Ordered #{named(@swatches)} by #{@key}"
  end
end
