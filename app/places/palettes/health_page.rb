module Places
  module Palettes
    # The six checks of a palette, and what can be done about what they found.
    class HealthPage
      # So many of each check are seen at once; remedies of the others wait for a look,
      # but for those of the press, which are found anyway.
      SHOWN = 12
      TWINS = 3
      # What a remedy is called where it is done, and as the change that it is.
      REMEDIES = {"press" => ["Bring in", "Brought in"], "confusable" => ["Set %s apart", "Set apart"], "contrast" => ["Adjust %s", "Adjusted"]}.freeze

      attr_reader :palette

      # @param palette [Palette] with groups and swatches
      def initialize(actor, palette)
        @palette, @health = palette, Health.new(actor, palette)
      end

      # @return [Array<Health::Check>]
      def checks = @health.checks

      def twins = checks.first.found.first(TWINS)

      def first(check) = check.found.first(SHOWN)

      def others(check) = check.found.drop(SHOWN)

      # Is its remedy told with each, or looked for in Mix?
      def mended?(check) = check.key == "press"

      # Found beyond those that are listed.
      def beyond(check) = check.count - check.found.size

      def never_used = @health.never_used.map(&:id).join(",")

      def limit(check) = Magpie::Notation::Forms.short(palette.limit(check.key), 2)

      # What an item is about; equal names are told apart by their groups.
      def name(item)
        return item.subject.name if item.subject.is_a?(Group)
        names = item.swatches.map { |each| each.is_a?(Swatch) ? each.name : each.hex }
        names = item.swatches.map { |each| "#{each.name} in #{each.group.name}" } if item.swatches.all?(Swatch) && names.uniq!
        names.join(" and ")
      end

      def ids(item) = item.swatches.grep(Swatch).map(&:id).join(",")

      # @return [Array<String>] CSS of what is beside each other
      def colours(item) = item.swatches.first(4).map { |each| each.is_a?(Swatch) ? each.css : each.hex }

      # Why there is no button that mends it.
      def no_remedy(check, item)
        return "No lightness of the second is enough. Change its hue in Mix." unless check.key == "contrast"
        item.subject ? "No lightness of the text is enough on this ground. Change the ground." : "The text follows no swatch. Link it on Dress first."
      end
    end
  end
end
