module Magpie
  module Library
    # Codes that stand before names, as charts print them and as formats hold them that have
    # room for a name only: "TF 088 Hearth clay".
    module Codes
      # Capitals and a number, or a number of three digits and more, before a word.
      BEFORE = /\A((?:\p{Lu}{1,5}[ .-]?\d{1,6}|\d{3,6})\p{Lu}{0,2})(?:[:,;]? +| ?[–-] ?)(?=\p{L})(.+)\z/

      module_function

      # Takes codes from the names where all of a library have one, and no two the same.
      # @param palette [Palette]
      # @return [[Palette, String, nil]] and an example of a name that was taken apart
      def apart(palette)
        swatches = palette.swatches
        return [palette, nil] if swatches.size < 2 || swatches.any?(&:code)
        pairs = swatches.map { |swatch| swatch.name.match(BEFORE)&.captures }
        return [palette, nil] unless pairs.all? && pairs.map(&:first).uniq.size == pairs.size
        pairs = pairs.each
        groups = palette.groups.map { |group| group.dup.tap { |copy| copy.swatches = group.swatches.map { |swatch| named(swatch, *pairs.next) } } }
        [palette.dup.tap { |copy| copy.groups = groups }, swatches.first.name]
      end

      def named(swatch, code, name) = swatch.dup.tap { |copy| copy.code, copy.name = code, name }
      private_class_method :named
    end
  end
end
