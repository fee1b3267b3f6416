module Places
  module Palettes
    # Swatches that are selected, in the order of their palettes.
    module Selected
      # @param ids [Array<Integer>]
      # @return [Array<Swatch>]
      def self.of(actor, ids)
        actor.swatches.where(id: ids).includes(group: :palette).to_a.sort_by { |each| [each.group.palette_id, each.group.position, each.group_id, each.position, each.id] }
      end
    end
  end
end
