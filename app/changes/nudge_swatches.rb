module Changes
  # Moves swatches one slot: in a run past their neighbour or into the empty slot beside
  # them, up and down to the same slot of the next group; on the grid one cell.
  module NudgeSwatches
    WAYS = {"left" => [-1, 0], "right" => [1, 0], "up" => [0, -1], "down" => [0, 1]}.freeze

    module_function

    # @param swatches [Array<Swatch>] of one palette
    # @param way [String] a key of WAYS
    # @param grid [Boolean]
    # @raise [Magpie::Error] where there is nothing to go to
    def perform(project, actor:, swatches:, way:, grid: false)
      across, down = WAYS.fetch(way) { raise Magpie::Error, "There is no such way" }
      return on_grid(project, actor, swatches, across, down) if grid
      down.zero? ? along(project, actor, swatches, way == "right") : to_group(project, actor, swatches, down)
    end

    def on_grid(project, actor, swatches, across, down)
      slots = swatches.first.group.palette.grid
      moved = swatches.to_h { |each| [each, [slots[each.id][0] + across, slots[each.id][1] + down]] }
      PutOnGrid.perform(project, actor:, slots: moved) if moved.values.flatten.min >= 0
    end

    def to_group(project, actor, swatches, by)
      first = swatches.first
      groups = first.group.palette.groups.to_a
      index = groups.index(first.group) + by
      target = groups[index] if index >= 0
      raise Magpie::Error, "There is no group #{(by < 0) ? "above" : "below"} in #{first.group.palette.name}" unless target
      last = Swatch.where(group: target).maximum(:position) || 0
      MoveSwatches.perform(project, actor:, swatches:, group: target, slot: [first.position, last + 1].min, close: true)
    end

    def along(project, actor, swatches, right)
      group, positions = swatches.first.group, swatches.map(&:position)
      slot = right ? positions.max + 1 : positions.min - 1
      return if slot < 1
      taken = Swatch.exists?(group:, position: slot)
      slot = taken ? slot + 1 : positions.min + 1 if right
      MoveSwatches.perform(project, actor:, swatches:, group:, slot:, close: taken)
    end
  end
end
