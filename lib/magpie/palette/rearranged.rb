module Magpie
  class Palette
    # A palette put together anew of the swatches of another: what refers to one of them
    # refers to where it is now, and to nothing where it is left out.
    module Rearranged
      module_function

      # @param palette [Palette]
      # @param groups [Array<[Group, Array<[Array<Integer>, Swatch]>]>] each with its
      #   swatches, and where these were; one may come to be several
      # @return [Palette]
      def of(palette, groups)
        where = {}
        groups.each_with_index { |(_, pieces), g| pieces.each_with_index { |(address, _), s| where[address] ||= [g, s] } }
        made = groups.map { |group, pieces| Group.new(name: group.name, note: group.note, swatches: pieces.map { |_, swatch| referring(swatch, where) }) }
        palette.dup.tap { |changed| changed.groups = made }
      end

      # Some of its groups, and of these some of their swatches.
      # @param groups [Array<Integer>] numbers of groups
      # @yieldparam address [Array<Integer>] of a swatch in one of them
      # @yieldreturn [Boolean] does it stay?
      def only(palette, groups)
        of(palette, groups.map { |g| [palette.groups[g], palette.groups[g].swatches.each_with_index.filter_map { |swatch, s| [[g, s], swatch] if yield([g, s]) }] })
      end

      def referring(swatch, where)
        return swatch unless swatch.tint || swatch.compound
        swatch.dup.tap do |changed|
          changed.tint = where[swatch.tint.of]&.then { |address| Tint[swatch.tint.percent, address] } if swatch.tint
          changed.compound = swatch.compound.referring(swatch.compound.inks.map { |ink| ink.reference && where[ink.reference] }) if swatch.compound
        end
      end
    end
  end
end
