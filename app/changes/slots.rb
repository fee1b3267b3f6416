module Changes
  # Slots and names of swatches in their groups.
  module Slots
    private

    def close_up(leaving)
      leaving.group_by(&:group_id).each do |group_id, gone|
        positions = gone.map(&:position)
        later = Swatch.where(group_id:, position: positions.min..).where.not(id: gone.map(&:id)).pluck(:id, :position)
        later.group_by { |_, position| positions.count { |left| left < position } }.each { |by, rows| shift(Swatch, rows.map(&:first), -by) if by > 0 }
      end
    end

    # Names for newcomers of a group, none of which is there yet.
    def free_names(group, names, without: [])
      taken = Swatch.where(group:).where.not(id: without).pluck(:name).map(&:downcase).to_set
      names.map { |name| Magpie::ColorName.unused(name, taken).tap { |free| taken << free.downcase } }
    end

    # "Ember sky" or "7 swatches"
    def named(swatches) = (swatches.size == 1) ? swatches.first.name : count(swatches.size, "swatch")
  end
end
