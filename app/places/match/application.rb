module Places
  module Match
    # Match: what is nearest in libraries, what the press makes of it, how it looks in the room.
    class Application < Frame::Application
      lies_in "match"
      helpers Helpers, BoardHelpers
      register Tables, Browsing, Boards, Presses

      get("/projects/:project/match") do
        @page = NearestPage.new(param, desk)
        place_page "match", :nearest
      end

      post("/projects/:project/match/pool") do
        choices.take("matching" => pool.chosen(param.list(:ticks)))
        go_on
      end

      # An entry noted as the match of a swatch, or none.
      post("/projects/:project/match/note") do
        entry = actor.entries.find(param.id(:entry)) if param.given?(:entry)
        Changes::NoteMatches.perform(project, actor:, matches: {swatch => entry})
        tell entry ? "#{entry.in_words} is noted as the match of #{swatch.name}" : "No match is noted of #{swatch.name}"
        go_on
      end

      post("/projects/:project/match/change") do
        near = pool.find(param.text(:to_match)) or raise Magpie::Error, "What it was to be changed to is gone. Nothing was changed"
        Changes::ChangeToMatches.perform(project, actor:, matches: {swatch => near.entry || near}, saw: {swatch => param.text(:saw_hex)})
        places = Reach.of(actor, [swatch.id]).values.sum
        tell "#{swatch.name} is #{near.called} now#{", in #{count(places, "place")}" if places > 0}"
        go_on
      end

      # Put in a palette, as it is in its library: with its name and code, as a spot colour.
      post("/projects/:project/match/keep") do
        near = pool.find(param.text(:to_match)) or raise Magpie::Error, "It is gone. Nothing was kept"
        keep(group_to_keep_in("Choose a group to put it in"), near.colour, name: near.swatch_id ? near.name : "", entry: near.entry)
        go_on
      end
    end
  end
end
