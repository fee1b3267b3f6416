module Changes
  # Puts a chip on a slot of its palette's grid. From then on every chip of the palette
  # has a slot of its own, so that no other jumps; a chip that stands there takes the
  # slot that this one had.
  class PutOnGrid < Change
    # Gives the block each id with a slot that is not written yet.
    def self.settle(slots)
      written = Swatch.where(id: slots.keys).pluck(:id, :across, :down).to_h { |id, *slot| [id, slot] }
      slots.each { |id, slot| yield id, *slot unless written[id] == slot }
    end

    # @param slots [Hash{Swatch => [across, down]}] of one palette
    def initialize(project, slots:)
      super(project)
      @slots = slots
    end

    private

    def make
      palette = @slots.keys.first.group.palette
      raise Magpie::Error, "They are not all of one palette" unless @slots.keys.all? { |swatch| swatch.group.palette_id == palette.id }
      check_bounds
      before = palette.grid
      after = moved(before)
      PutOnGrid.settle(after) { |id, across, down| update(Swatch.find(id), across:, down:) }
      palette
    end

    def check_bounds
      widths, heights = Magpie::Palette::Grid::WIDTHS, Magpie::Palette::Grid::HEIGHTS
      inside = @slots.values.all? { |across, down| across.between?(0, widths.end - 1) && down.between?(0, heights.end - 1) }
      raise Magpie::Error, "The grid ends there: it has at most #{widths.end} columns and #{heights.end} rows" unless inside
    end

    def moved(before)
      wanted = @slots.to_h { |swatch, slot| [swatch.id, slot] }
      left = wanted.keys.map { |id| before.fetch(id) } - wanted.values
      others = before.except(*wanted.keys).to_h { |id, slot| [id, wanted.value?(slot) ? left.shift || free(before, wanted) : slot] }
      others.merge(wanted)
    end

    def free(before, wanted) = [0, [*before.values, *wanted.values].map(&:last).max + 1]

    def words = "Put #{(@slots.size == 1) ? @slots.keys.first.name : count(@slots.size, "swatch")} on the grid"
  end
end
