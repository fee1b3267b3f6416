module Places
  module Match
    # Whole palettes: what is ticked in the table is noted, changed, made a palette of.
    module Tables
      def self.registered(app)
        app.get("/projects/:project/match/palette") do
          @page = TablePage.new(param, desk)
          place_page "match", :table
        end

        app.get("/projects/:project/match/palette/proof") do
          @page = ProofPage.new(param, desk)
          place_page "match", :proof
        end

        app.get("/projects/:project/match/palette/readable") do
          @page = ReadablePage.new(param, desk)
          place_page "match", :readable
        end

        app.get("/projects/:project/match/palette.csv") do
          page = TablePage.new(param, desk)
          raise ActiveRecord::RecordNotFound unless page.of
          content_type "text/csv", charset: "utf-8"
          attachment "#{page.of.name}, matched.csv"
          page.csv
        end

        app.post("/projects/:project/match/palette/note") do
          matches = ticked_pairs.transform_values(&:entry).compact
          Changes::NoteMatches.perform(project, actor:, matches:)
          tell "Noted #{(matches.size == 1) ? "one match" : "#{matches.size} matches"}. No colour changed"
          go_on
        end

        app.post("/projects/:project/match/palette/change") do
          pairs = ticked_pairs
          saw = param.text(:pairs).split(",").to_h { |text| text.split(":").then { |id, _, hex| [id.to_i, "##{hex}"] } }
          Changes::ChangeToMatches.perform(project, actor:, matches: pairs.transform_values { |near| near.entry || near }, saw: pairs.keys.to_h { |swatch| [swatch, saw[swatch.id]] })
          places = Reach.of(actor, pairs.keys.map(&:id)).values.sum
          tell "Changed #{count(pairs.size, "swatch")} to #{(pairs.size == 1) ? "its match" : "their matches"}#{", in #{count(places, "place")}" if places > 0}"
          go_on at("match/palette", of: param[:of])
        end

        app.post("/projects/:project/match/palette/keep") do
          made = Changes::KeepMatches.perform(project, actor:, name: param.text(:name), matches: kept_pairs)
          tell "#{made.name} is a palette of the project now"
          redirect to(at("palettes")), 303
        end
      end
    end
  end
end
