module Places
  module Palettes
    # Palettes: groups of touching chips, four views of them, one swatch and its history,
    # health.
    module Board
      module Helpers
        # A palette, group or swatch is found wherever in the house it is.
        def house_palette = @house_palette ||= Palette.find(number(params[:palette]))

        def house_group(id = params[:group]) = Group.find(number(id))

        # Ink colours and swatches as a form gives them.
        # @return [Magpie::Palette::Compound]
        def paint_of_form
          offsets, colours = Array(params[:offsets]), Array(params[:inks])
          inks = colours.first(13).each_with_index.map do |text, index|
            followed = swatch(text.delete_prefix("s")) if text.start_with?("s")
            offset = Float(offsets[index].to_s, exception: false)
            Magpie::Palette::Compound::Ink.new(colour: followed&.colour || Magpie::Notation.parse(text), reference: followed&.id, offset: offset ? offset / 100 : index.fdiv([colours.size - 1, 1].max))
          end
          Magpie::Palette::Compound.new(form: params[:shape].to_s, angle: Float(params[:angle].to_s, exception: false), size: Float(params[:size].to_s, exception: false) || 12.0, inks:).checked
        end
      end

      def self.registered(app)
        app.helpers Helpers

        app.get("/projects/:project/palettes") do
          wanted = number(params[:swatch])
          @swatch = (shown_chips.any? { |each| each.id == wanted }) ? Swatch.includes(:group).find(wanted) : nil
          @task = Palettes::Helpers::TASKS.include?(params[:do]) ? params[:do] : nil
          @chosen = @task ? swatches_of(choices.selected) : [@swatch].compact
          @panel = Share.new(@chosen, params) if @task == "share" && @chosen.any?
          @panel = Removal.new(@chosen, shown_chips) if @task == "remove" && @chosen.any?
          place_page "palettes", :page
        end

        # Measured after the page has come: all pairs of a large palette take a moment.
        app.get("/projects/:project/palettes/:palette/health") do
          @palette = Palette.includes(groups: :swatches).find(number(params[:palette]))
          @health = Health.new(@palette, Swatch.reach(@palette.groups.flat_map(&:swatches).map(&:id)))
          erb :health, layout: false
        end

        # What a shift would make of each swatch.
        app.get("/projects/:project/shift.json") do
          content_type :json
          JSON.generate(Following::Plan.preview(shifted(shift)).transform_values(&:hex))
        end

        app.post("/projects/:project/shift") do
          moved = shift
          raise Magpie::Error, "Nothing is shifted yet. Move a slider first" if moved.none?
          colours = shifted(moved)
          what = "Shifted #{(params[:scope] == "selection") ? count(colours.size, "swatch") : palette_at_side.name}: #{moved.words}"
          Changes::ChangeSwatches.perform(project, actor:, colours:, what:)
          tell "#{what}. #{count(colours.size, "swatch")} changed, and all that follows"
          redirect to(palettes_at), 303
        end

        app.post("/projects/:project/palettes/:palette/groups") do
          group = Changes::AddGroup.perform(project, actor:, palette: house_palette, name: params[:name])
          session[:group] = group.id
          go_back
        end

        app.post("/projects/:project/groups/:group") do
          by = {"up" => -1, "down" => 1}[params[:move]]
          as_seen house_group.name, name: house_group.name, note: house_group.note
          Changes::EditGroup.perform(project, actor:, group: house_group, name: params[:name], note: params[:note], by:)
          go_back
        end

        app.post("/projects/:project/groups/:group/remove") do
          group = house_group
          Changes::RemovePalette.perform(project, actor:, palette: group.palette, groups: [group])
          tell "Removed #{group.name}. Its places keep their colours; Undo brings it back"
          go_back
        end

        app.post("/projects/:project/swatches/:swatch/edit") do
          fields = params.slice(*Changes::EditSwatch::FIELDS.keys.map(&:to_s)).to_h.transform_keys(&:to_sym)
          saw = fields.keys.to_h { |field| [field, params["saw_#{field}"]] }.compact
          Changes::EditSwatch.perform(project, actor:, swatch: swatch(params[:swatch]), fields:, saw:)
          go_on
        end

        # Puts a value back that it had, or brings it where it should be.
        app.post("/projects/:project/swatches/:swatch/restore") do
          changed = swatch(params[:swatch])
          past = params[:change] && changed.history.find { |change, _| change.id == number(params[:change]) }
          raise Magpie::Error, "#{changed.name} has no such value in its history" if params[:change] && !past
          colour = past ? past.last : Magpie::Notation.parse(params[:notation])
          Changes::ChangeSwatches.perform(project, actor:, colours: {changed => colour}, saw: {changed => params[:before].to_s}, what: "#{params[:what].to_s.empty? ? "Changed" : Magpie::Text.name(params[:what], longest: 60)} #{changed.name} from #{changed.hex} to #{colour.hex}", why: params[:why])
          tell "#{changed.name} is #{colour.hex} now"
          go_on
        end

        # A colour from the hand, onto an empty slot.
        app.post("/projects/:project/put") do
          content = held
          group, slot = params[:slot].to_s.split(":").map { |text| number(text) }
          kept = Changes::KeepColour.perform(project, actor:, group: house_group(group), name: "", colour: content.colour, slot:, find: content.find_id && project.finds.find_by(id: content.find_id))
          hand.hold(Hand::Content.of_swatch(kept))
          tell "Kept #{kept.name} in #{kept.group.name}"
          redirect to(palettes_at(swatch: kept.id)), 303
        end

        app.post("/projects/:project/paints") do
          made = Changes::KeepPaint.perform(project, actor:, paint: paint_of_form, group: params[:group] && house_group, swatch: params[:swatch] && swatch(params[:swatch]), name: params[:name].to_s)
          tell "#{made.name} is kept in #{made.group.name}"
          redirect to(palettes_at(swatch: made.id, do: nil)), 303
        end

        # Whether anybody changed anything since: pages ask, and refresh.
        app.get("/projects/:project/version.json") do
          content_type :json
          JSON.generate(version: HouseVersion.now)
        end
      end
    end
  end
end
