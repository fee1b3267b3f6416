module Changes
  # Lists that people order.
  module Ordering
    private

    # Puts one at another place of a list, and writes only the positions that change.
    # @param list [Array<Record>] in its order
    # @param to [Integer] from 0; what lies outside is brought in
    def put(list, record, to)
      others = list.without(record)
      others.insert(to.clamp(0, others.size), record).each.with_index(1) { |each, position| update(each, position:) unless each.position == position }
    end
  end
end
