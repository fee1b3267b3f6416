module Places
  module Palettes
    # What is done with the swatches that are selected.
    module Selection
      # ΔE00 up to which swatches are like one another.
      ALIKE = 5.0

      def self.registered(app)
        app.post("/projects/:project/selection") do
          done = param.text(:do)
          if done == "send"
            choices.select(selected.map(&:id))
            redirect to(at("deliver", selected: 1)), 303
          end
          if Page::TASKS.include?(done) && !param[:now]
            selected
            redirect to(palettes_at(swatch: selected.first.id, do: done, side: nil, **Shifting.asked(param))), 303
          end
          tell Acting.new(project, actor, selected, choices, param).perform(done)
          redirect to(palettes_at), 303
        end

        # All that are like one, wherever they stand in the project's palettes.
        app.get("/projects/:project/selection/like.json") do
          content_type :json
          colour = swatch.colour
          JSON.generate(ids: Magpie::Library::Nearest.of(desk.shown_chips).to(colour, within: ALIKE).map { |each, _| each.id })
        end

        app.post("/projects/:project/selection/share") do
          change = Changes::ShareSwatches.perform(project, actor:, swatches: selected, ticks: param.list(:ticks), limit: param.number(:limit, 0, Candidates::LIMITS))
          tell "#{(selected.size == 1) ? "#{selected.first.name} is" : "#{selected.size} swatches are"} shared now#{", #{count(change.linked, "place")} linked" if change.linked > 0}"
          go_on palettes_at(swatch: selected.first.id)
        end

        app.post("/projects/:project/selection/move") do
          close = param.on?(:close)
          slot = param.whole(:slot, 0..100_000, 0).then { |at| at if at > 0 }
          to = Changes::MoveSwatches.perform(project, actor:, swatches: selected, group:, slot:, copy: param.on?(:copy), close:)
          tell "#{param.on?(:copy) ? "Copied" : "Moved"} #{selected_in_words} to #{to.name}"
          redirect to(palettes_at(swatch: selected.first.id)), 303
        end

        # One slot left or right in the run, or into the group above or below.
        app.post("/projects/:project/selection/nudge") do
          Changes::NudgeSwatches.perform(project, actor:, swatches: selected, way: param.text(:way), grid: choices[:view] == "grid")
          redirect to(palettes_at), 303
        end

        app.post("/projects/:project/selection/grid") do
          by = [:across, :down].map { |way| param.whole(way, -10_000..10_000, 0) }
          slots = selected.first.group.palette.grid
          Changes::PutOnGrid.perform(project, actor:, slots: selected.to_h { |each| [each, slots.fetch(each.id) { raise Magpie::Error, "They are not all of one palette" }.zip(by).map(&:sum)] })
          redirect to(palettes_at), 303
        end

        app.post("/projects/:project/selection/blend") do
          kept = selected.find { |each| each.id == param.id(:keep) } || selected.first
          blend = param.on?(:blend)
          Changes::MergeSwatches.perform(project, actor:, kept:, others: selected.without(kept), blend:)
          tell "#{blend ? "Blended" : "Merged"} #{count(selected.size, "swatch")} into #{kept.name}. Every place followed"
          redirect to(palettes_at(swatch: kept.id)), 303
        end

        app.post("/projects/:project/selection/remove") do
          wanted = param.table(:replace)
          replacements = selected.to_h { |each| [each, wanted[each.id.to_s].to_s.empty? ? nil : swatch(Frame::Asked.id(wanted[each.id.to_s]))] }
          Changes::RemoveSwatches.perform(project, actor:, swatches: selected, replacements:)
          tell "Removed #{selected_in_words}. No place lost its colour; Undo brings them back"
          redirect to(palettes_at(swatch: nil)), 303
        end

        app.post("/projects/:project/selection/ramp") do
          steps = param.number(:steps, 3, 0..40).to_i
          colours = Magpie::Making::Between.steps(selected.map(&:colour), steps)
          made = Changes::KeepGroup.perform(project, actor:, palette: selected.first.group.palette, name: param[:name], colours:, note: "Ramp through #{Magpie::Text.list(selected.first(3).map(&:name))}")
          desk.keep_in made
          tell "Kept #{made.name}: #{count(colours.size, "swatch")}"
          redirect to(palettes_at(swatch: made.swatches.first.id)), 303
        end
      end
    end
  end
end
