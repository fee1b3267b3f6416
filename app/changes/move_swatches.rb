module Changes
  # Puts swatches into a group, from a slot on. A taken slot makes room: what stands
  # there moves on, as far as the next empty slots.
  class MoveSwatches < Change
    include Ties
    include Slots

    # @param slot [Integer, nil] from 1; nil is after the last
    # @param copy [Boolean] whether copies are put there instead
    # @param close [Boolean] whether the runs that they leave close up
    def initialize(project, swatches:, group:, slot: nil, copy: false, close: false)
      super(project)
      @swatches, @group, @slot, @copy, @close = swatches, group, slot, copy, close && !copy
    end

    private

    def make
      raise Magpie::Error, "Choose swatches first" if @swatches.empty?
      close if @close
      @slot ||= next_position(Swatch.where(group: @group).where.not(id: @copy ? [] : @swatches.map(&:id)))
      raise Magpie::Error, "There are at most 5,000 slots in a group" unless @slot.between?(1, 5000)
      make_room
      @copy ? copy : move
      @group
    end

    def close
      left = @swatches.select { |swatch| swatch.group_id == @group.id }.map(&:position)
      @slot -= left.count { |position| position < @slot } if @slot
      close_up(@swatches)
    end

    # Swatches of the group at or after the slot move on just as far as they must.
    def make_room
      standing = Swatch.where(group: @group, position: @slot..).where.not(id: @copy ? [] : @swatches.map(&:id)).order(:position, :id).to_a
      free = @slot + @swatches.size
      moves = standing.filter_map do |swatch|
        place = [swatch.position, free].max
        free = place + 1
        [swatch, place] if place != swatch.position
      end
      moves.group_by { |swatch, place| place - swatch.position }.each { |by, shifted| shift(Swatch, shifted.map { |swatch, _| swatch.id }, by) }
    end

    def move
      names = free_names(@group, @swatches.map(&:name), without: @swatches.map(&:id))
      @swatches.zip(names).each_with_index do |(swatch, name), index|
        cell = (swatch.group.palette_id == @group.palette_id) ? {} : {across: nil, down: nil}
        update(swatch, group_id: @group.id, name:, position: @slot + index, **cell)
      end
    end

    def copy
      names = free_names(@group, @swatches.map(&:name))
      rows = @swatches.zip(names).each_with_index.map { |(swatch, name), index| Copying.row(swatch, group_id: @group.id, name:, position: @slot + index) }
      create_all(Follow, Copying.ties(@swatches.map(&:id).zip(create_all(Swatch, rows)).to_h, tints: false))
    end

    def words = "#{@copy ? "Copied" : "Moved"} #{named(@swatches)} to #{@group.name}"
  end
end
