module Places
  module Palettes
    # What is done with the swatches that are selected.
    module Selection
      module Helpers
        # Ids that the form names; they stay selected.
        def selected
          @selected ||= begin
            ids = params[:ids].to_s.split(",").first(20_000).map { |id| number(id) }.uniq
            choices.select(ids) unless choices.selected == ids
            swatches_of(ids).tap { |found| raise Magpie::Error, "Select swatches first: click one, hold Ctrl or Shift for more" if found.empty? }
          end
        end

        # The shift that the sliders stood at, for the page that compares.
        def shift_asked = Magpie::Palette::Shift::RANGES.keys.to_h { |name| [name, params[name]] }.reject { |_, amount| amount.nil? || amount == "0" }

        def number_or_minus(text) = Integer(text.to_s, 10, exception: false) || 0

        # ΔE00 up to which swatches are like one another.
        ALIKE = 5.0

        # Acts at once, and says to how many.
        def act(done) # standard:disable Metrics
          case done
          when "lock" then Changes::LockSwatches.perform(project, actor:, swatches: selected, locked: true).then { "Locked #{count(selected.size, "swatch")}" }
          when "unlock" then Changes::LockSwatches.perform(project, actor:, swatches: selected, locked: false).then { "Unlocked #{count(selected.size, "swatch")}" }
          when "loosen" then Changes::LoosenSwatches.perform(project, actor:, swatches: selected).then { "Made #{count(selected.size, "swatch")} loose. Every place keeps its value" }
          when "fill" then Changes::FillGaps.perform(project, actor:, swatches: selected, grid: choices[:view] == "grid", steps: params[:steps] && number(params[:steps]).clamp(0, 40)).then { "Filled the gaps between #{count(selected.size, "swatch")}" }
          when "order" then Changes::OrderSwatches.perform(project, actor:, swatches: selected, key: params[:key].to_s).then { "Ordered #{count(selected.size, "swatch")} by #{params[:key]}" }
          when "rename" then Changes::RenameSwatches.perform(project, actor:, swatches: selected, pattern: params[:pattern]).then { "Renamed #{count(selected.size, "swatch")}" }
          else raise Magpie::Error, "There is no such action"
          end
        end
      end

      def self.registered(app)
        app.helpers Helpers

        app.post("/projects/:project/selection") do
          done = params[:do].to_s
          if Palettes::Helpers::TASKS.include?(done) && !params[:now]
            selected
            redirect to(palettes_at(swatch: selected.first.id, do: done, side: nil, **shift_asked)), 303
          end
          tell act(done)
          redirect to(palettes_at), 303
        end

        # All that are like one, wherever they stand in the project's palettes.
        app.get("/projects/:project/selection/like.json") do
          content_type :json
          colour = swatch(params[:swatch]).colour
          JSON.generate(ids: Magpie::Library::Nearest.of(shown_chips).to(colour, within: Helpers::ALIKE).map { |each, _| each.id })
        end

        app.post("/projects/:project/selection/share") do
          change = Changes::ShareSwatches.perform(project, actor:, swatches: selected, ticks: Array(params[:ticks]), limit: Float(params[:limit].to_s, exception: false) || 0.0)
          tell "#{(selected.size == 1) ? "#{selected.first.name} is" : "#{selected.size} swatches are"} shared now#{", #{count(change.linked, "place")} linked" if change.linked > 0}"
          go_on palettes_at(swatch: selected.first.id)
        end

        app.post("/projects/:project/selection/move") do
          close = params[:close] == "1"
          slot = number(params[:slot]).then { |at| at if at > 0 }
          group = Changes::MoveSwatches.perform(project, actor:, swatches: selected, group: house_group, slot:, copy: params[:copy] == "1", close:)
          tell "#{(params[:copy] == "1") ? "Copied" : "Moved"} #{(selected.size == 1) ? selected.first.name : "#{selected.size} swatches"} to #{group.name}"
          redirect to(palettes_at(swatch: selected.first.id)), 303
        end

        # One slot left or right in the run, or into the group above or below.
        app.post("/projects/:project/selection/nudge") do
          Changes::NudgeSwatches.perform(project, actor:, swatches: selected, way: params[:way].to_s, grid: choices[:view] == "grid")
          redirect to(palettes_at), 303
        end

        app.post("/projects/:project/selection/grid") do
          by = [number_or_minus(params[:across]), number_or_minus(params[:down])]
          slots = selected.first.group.palette.grid
          Changes::PutOnGrid.perform(project, actor:, slots: selected.to_h { |each| [each, slots.fetch(each.id) { raise Magpie::Error, "They are not all of one palette" }.zip(by).map(&:sum)] })
          redirect to(palettes_at), 303
        end

        app.post("/projects/:project/selection/blend") do
          kept = selected.find { |each| each.id == number(params[:keep]) } || selected.first
          blend = params[:blend] == "1"
          Changes::MergeSwatches.perform(project, actor:, kept:, others: selected.without(kept), blend:)
          tell "#{blend ? "Blended" : "Merged"} #{count(selected.size, "swatch")} into #{kept.name}. Every place followed"
          redirect to(palettes_at(swatch: kept.id)), 303
        end

        app.post("/projects/:project/selection/remove") do
          wanted = params[:replace].is_a?(Hash) ? params[:replace] : {}
          replacements = selected.to_h { |each| [each, wanted[each.id.to_s].to_s.empty? ? nil : swatch(wanted[each.id.to_s])] }
          Changes::RemoveSwatches.perform(project, actor:, swatches: selected, replacements:)
          tell "Removed #{(selected.size == 1) ? selected.first.name : "#{selected.size} swatches"}. No place lost its colour; Undo brings them back"
          redirect to(palettes_at(swatch: nil)), 303
        end

        app.post("/projects/:project/selection/ramp") do
          steps = asked(:steps, 3, 0..40).to_i
          colours = Magpie::Making::Between.steps(selected.map(&:colour), steps)
          group = Changes::KeepGroup.perform(project, actor:, palette: selected.first.group.palette, name: params[:name], colours:, note: "Ramp through #{Magpie::Text.list(selected.first(3).map(&:name))}")
          session[:group] = group.id
          tell "Kept #{group.name}: #{count(colours.size, "swatch")}"
          redirect to(palettes_at(swatch: group.swatches.first.id)), 303
        end
      end
    end
  end
end
