module Places
  module Mix
    # Mix: a colour in all its models, what can be made of it, and changing a swatch.
    class Application < Frame::Application
      lies_in "mix"
      locks_first
      helpers Helpers

      PANELS = {"tints" => Tints, "mix" => Mixture, "between" => Between, "ramp" => Ramp, "harmony" => Harmony, "checks" => Checks}.freeze

      # One colour in every form that the sheet shows. The sheet asks while something
      # is dragged; all arithmetic is here.
      get("/colour.json") do
        content_type :json
        JSON.generate({**mix_answer(notation, plane), followers: param.given?(:swatch) ? Following::Plan.led(param.id(:swatch), notation).transform_values(&:hex) : {}})
      end

      get("/slice.png") do
        cache_control :private, max_age: 86_400
        content_type "image/png"
        Magpie::Slice.new(param.text(:plane).to_sym, param.number(:held, 0, -1000..1000), **Helpers::SLICE).png
      end

      get("/nudge.json") do
        content_type :json
        nudged = Magpie::Making::Nudge.apply(Magpie::Notation.parse(param.text(:notation)), param.text(:step).to_sym, size: param.number(:size, 1.0, -72.0..72.0))
        JSON.generate(notation: Magpie::Notation.write(nudged, :oklch))
      end

      # What can be made of the colour, one panel at a time.
      get("/projects/:project/mix/panels/:panel") do
        panel = PANELS[param[:panel]] or raise ActiveRecord::RecordNotFound
        colour, before = [param[:notation], param[:before]].map { |text| Magpie::Notation.parse(text.to_s) }
        begin
          @panel = panel.new(colour, before, desk, param)
          erb param[:panel].to_sym, layout: false
        rescue Magpie::Error => error
          @problem = error.message.sub(/\A./, &:upcase)
          erb :problem, layout: false
        end
      end

      post("/projects/:project/mix/group") do
        colours = param.list(:notations).first(101).map { |text| Magpie::Notation.parse(text) }
        group = Changes::KeepGroup.perform(project, actor:, palette: desk.palette_for_groups, name: param[:name], colours:, note: Magpie::Text.name(param[:note], longest: 120))
        desk.keep_in group
        tell "Kept #{group.name} in #{group.palette.name}: #{count(colours.size, "swatch")}"
        go_back
      end

      post("/projects/:project/swatches/:swatch/tint") do
        kept = Changes::KeepTint.perform(project, actor:, parent: swatch, percent: param.number(:percent, 0, 0..100))
        tell "Kept #{kept.name}. It follows its swatch"
        go_back
      end

      # Several notations pasted at once: each becomes a find, or none.
      post("/projects/:project/notations") do
        lines = param.text(:text)[0, 20_000].lines.map(&:strip).reject(&:empty?)
        raise Magpie::Error, "#{lines.size} lines at once: the limit is 200" if lines.size > 200
        colours = lines.each.with_index(1).map do |line, number|
          Magpie::Notation.parse(line)
        rescue Magpie::Error => error
          raise error.at("line #{number}")
        end
        Record.transaction { colours.each { |colour| Changes::TakeColour.perform(project, actor:, colour:, way: "typed") } }
        tell "Took #{count(colours.size, "colour")} as finds"
        go_back
      end

      post("/projects/:project/swatches/:swatch/change") do
        colour = notation
        changed = Changes::ChangeSwatch.perform(project, actor:, swatch: swatch, colour:, definition: Magpie::Text.name(param[:notation]), before: param.text(:before), bring_along: param.on?(:bring_along), why: param[:why])
        places = Reach.of(actor, [changed.id]).values.sum
        tell "#{changed.name} is #{changed.hex} now#{", in #{count(places, "place")}" if changed.shared}"
        go_on
      end
    end
  end
end
