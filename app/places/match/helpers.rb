module Places
  module Match
    # What Match asks for.
    module Helpers
      # Its views, in their order: paths and labels.
      MODES = {"match" => "Nearest", "match/palette" => "Whole palette", "match/browse" => "Browse", "match/board" => "Board"}.freeze

      # What can be looked at of a palette as a whole.
      WHOLE = {"match/palette" => "Matched", "match/palette/proof" => "On press", "match/palette/readable" => "Text on grounds"}.freeze

      def here?(path) = request.path == at(path)

      def within?(path) = here?(path) || (path == "match/palette" && request.path.start_with?(at(path)))

      def pool = @pool ||= Pool.new(desk)

      def condition = @condition ||= actor.condition(param.id(:condition))

      # What can be done stands in the hand, where the page says so.
      def hand_middle = @page.respond_to?(:hand_view) ? [@page.hand_view] : super

      def hand_end = (@page.is_a?(BoardPage) && @page.variant && !@page.cutting?) ? :ground_end : super

      # Of the library that the address names.
      # @return [BrowsePage]
      # @raise [ActiveRecord::RecordNotFound]
      def chart_page = BrowsePage.new(param, desk).tap { |page| raise ActiveRecord::RecordNotFound unless page.library&.id == param.id(:library) }

      # Where something goes that is put in a palette.
      # @return [Group, nil]
      def keeping = desk.group(desk.kept_in) || groups.first

      # Swatches that are ticked in a table, and what each is matched to.
      # @return [Hash{Swatch => Near}]
      # @raise [Magpie::Error] where one is gone
      def ticked_pairs
        asked = param.text(:pairs).split(",").first(TablePage::MOST).filter_map { |text| text.match(/\A(\d{1,18}):([es]\d{1,18}):/)&.captures }.to_h { |id, key| [id.to_i, key] }
        swatches = actor.swatches.where(id: asked.keys).index_by(&:id)
        found = pool.these(asked.values)
        pairs = asked.to_h { |id, key| [swatches[id], found[key]] }
        raise Magpie::Error, "Something of the table was removed meanwhile. Nothing was done. Look again" if pairs.key?(nil) || pairs.value?(nil)
        raise Magpie::Error, "No row is ticked" if pairs.empty?
        pairs
      end

      # What is ticked, by the groups that the colours are in.
      # @return [Hash{String => Array<(Entry, Near)>}]
      def kept_pairs
        page = TablePage.new(param, desk)
        groups = groups().to_h { |group| [group.id, group.name] }
        page.ticked.group_by { |pair| groups.fetch(pair.chip&.group_id, "Matches") }.transform_values { |pairs| pairs.map { |pair| pair.near.entry || pair.near } }
      end

      # What a form says of a press.
      # @return [Hash] for Changes::EditCondition
      # @raise [Magpie::Error]
      def setting_up
        limit = param.text(:most_ink).strip
        {name: param.text(:name), intent: param.text(:intent), black_point: param.on?(:black_point), greys: param.on?(:greys), most_ink: (param.exactly(:most_ink) unless limit.empty?)}
      end
    end
  end
end
