module Changes
  # Fills the empty slots between chosen chips with even steps: in the rows of their
  # groups, or on the grid of their palette, across and down.
  class FillGaps < Change
    include Slots

    # @param grid [Boolean]
    # @param steps [Integer, nil] makes room for so many where no slot is empty
    def initialize(project, swatches:, grid: false, steps: nil)
      super(project)
      @swatches, @grid, @steps = swatches, grid, steps
      @made = 0
    end

    private

    def make
      raise Magpie::Error, "Choose two swatches or more in one line" if @swatches.size < 2
      raise Magpie::Error, "Gradients and patterns have no steps between them" if @swatches.any?(&:paint)
      @grid ? on_grid : in_rows
      raise Magpie::Error, "There is no empty slot between them in one line. Move them apart, or open slots with the number of steps" if @made.zero?
    end

    def in_rows
      @swatches.group_by(&:group).each do |group, chosen|
        open_slots(group, chosen) if @steps&.positive?
        taken = Swatch.where(group:).pluck(:position, :id).to_h { |position, id| [[position, 0], id] }
        fill(taken, chosen, [:across]) { |(position, _)| {group_id: group.id, position:} }
      end
    end

    # Only where the two stand side by side.
    def open_slots(group, chosen)
      chosen.sort_by { |swatch| -swatch.position }.each_cons(2) do |after, before|
        next unless after.position == before.position + 1
        shift(Swatch, Swatch.where(group:, position: after.position..).ids, @steps)
        chosen.each(&:reload)
      end
    end

    def on_grid
      palette = @swatches.first.group.palette
      slots = palette.grid
      PutOnGrid.settle(slots) { |id, across, down| update(Swatch.find(id), across:, down:) }
      fill(slots.invert, @swatches, [:across, :down]) do |(across, down), from|
        {group_id: from.group_id, position: next_position(Swatch.where(group_id: from.group_id)), across:, down:}
      end
    end

    def fill(taken, chosen, ways)
      by_id = chosen.index_by(&:id)
      Magpie::Palette::Gaps.between(taken, by_id.keys, ways:).each do |gap|
        from, to = by_id.values_at(gap.from, gap.to)
        colours = Magpie::Palette::Gaps.colours(from.colour, to.colour, gap.slots.size)
        gap.slots.zip(colours) do |slot, colour|
          columns = yield slot, from
          create(Swatch, name: free_names(columns[:group_id], [Magpie::ColorName.suggest(colour)]).first, colour:, **columns)
          @made += 1
        end
      end
    end

    def words = "Filled #{count(@made, "slot")} between #{Magpie::Text.list(@swatches.first(3).map(&:name))}"
  end
end
