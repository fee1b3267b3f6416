module Places
  module Palettes
    # What the routes of Palettes ask for.
    module Helpers
      # The page of Palettes with other parameters, of those that say what is shown.
      def palettes_at(**changed)
        shown = {swatch: param[:swatch], open: param[:open].presence, side: param[:side]}
        at("palettes", **shown, **changed)
      end

      # A palette or group is found wherever in the house it is.
      def palette = @palette ||= actor.palette(param.id(:palette))

      def group(id = param.id(:group)) = actor.group(id)

      def outfit = @outfit ||= actor.outfit(param.id(:outfit))

      # What is selected stands in the hand where chips are.
      def hand_middle = @page.is_a?(Page) ? [:chosen, *super] : super

      # Ids that the form names; they stay selected.
      # @raise [Magpie::Error] when it names none that is there
      def selected
        @selected ||= begin
          ids = param.ids(:ids, most: 20_000)
          choices.select(ids) unless choices.selected == ids
          Selected.of(actor, ids).tap { |found| raise Magpie::Error, "Select swatches first: click one, hold Ctrl or Shift for more" if found.empty? }
        end
      end

      # What a form says in which a chip takes its swatch in hand.
      def holding
        kept = {stay: "palettes", side: param[:side], open: param[:open]}.compact.map { |name, value| %(<input type="hidden" name="#{name}" value="#{Rack::Utils.escape_html(value)}">) }
        token + kept.join
      end

      # "Ember sky" or "7 swatches"
      def selected_in_words = (selected.size == 1) ? selected.first.name : "#{selected.size} swatches"

      # The shift that was asked for, and what it makes of those that can be given a value.
      def shifting
        @shifting ||= Shifting.new(param, Selected.of(actor, shifted_ids))
      end

      # Those that are selected, or all of the palette at the side.
      def shifted_ids
        return choices.selected if param[:scope] == "selection"
        at_side = Page.new(desk, param).palette or raise ActiveRecord::RecordNotFound
        at_side.chips.map(&:id)
      end
    end
  end
end
