module Places
  module Match
    # Libraries: their charts, entries that are looked at and sent to palettes.
    module Browsing
      NAMED = 400 # entries told at once

      def self.registered(app)
        app.get("/projects/:project/match/browse") do
          @page = BrowsePage.new(param, desk)
          place_page "match", :browse
        end

        # All of its colours, by what the browser draws it.
        app.get("/projects/:project/match/libraries/:library/chart.json") do
          @page = chart_page
          kept_under @page.version
          content_type :json
          JSON.generate(hexes: @page.chart.hexes, runs: @page.chart.runs.map(&:to_a))
        end

        # Names and codes of some of them.
        app.get("/projects/:project/match/libraries/:library/entries.json") do
          @page = chart_page
          kept_under @page.version
          content_type :json
          ids = @page.chart.ids[param.whole(:from, 0..10_000_000), NAMED] || []
          told = Entry.where(id: ids).pluck(:id, :name, :code, :hex).index_by(&:first)
          JSON.generate(told.values_at(*ids).compact)
        end

        app.post("/projects/:project/match/libraries/:library/keep") do
          page = chart_page
          raise Magpie::Error, "#{page.library.name} was changed meanwhile. Nothing was kept. Select again" unless param.text(:version) == page.version
          group = group_to_keep_in("Choose a group to put them in")
          ids = page.chart.picked(param.text(:picked), Changes::KeepEntries::MOST)
          entries = Entry.where(id: ids).index_by(&:id).values_at(*ids).compact
          Changes::KeepEntries.perform(project, actor:, group:, entries:)
          tell "Kept #{(entries.size == 1) ? entries.first.name : count(entries.size, "entry")} in #{group.name}"
          go_on
        end
      end
    end
  end
end
