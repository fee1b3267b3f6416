module Places
  module Palettes
    # Palettes: groups of touching chips, four views of them, one swatch and its history,
    # health.
    module Board
      def self.registered(app)
        app.get("/projects/:project/palettes") do
          @page = Page.new(desk, param)
          place_page "palettes", :page
        end

        # Measured after the page has come: all pairs of a large palette take a moment.
        app.get("/projects/:project/palettes/:palette/health") do
          @page = HealthPage.new(actor, actor.palettes.includes(groups: :swatches).find(param.id(:palette)))
          erb :health, layout: false
        end

        # What a shift would make of each swatch.
        app.get("/projects/:project/shift.json") do
          content_type :json
          JSON.generate(shifting.preview)
        end

        app.post("/projects/:project/shift") do
          raise Magpie::Error, "Nothing is shifted yet. Move a slider first" if shifting.shift.none?
          Changes::ChangeSwatches.perform(project, actor:, colours: shifting.colours, what: shifting.words)
          tell "#{shifting.words}. #{count(shifting.colours.size, "swatch")} changed, and all that follows"
          redirect to(palettes_at), 303
        end

        app.post("/projects/:project/palettes/:palette/groups") do
          desk.keep_in Changes::AddGroup.perform(project, actor:, palette:, name: param[:name])
          go_back
        end

        app.post("/projects/:project/groups/:group") do
          by = {"up" => -1, "down" => 1}[param[:move]]
          as_seen group.name, name: group.name, note: group.note
          Changes::EditGroup.perform(project, actor:, group:, name: param[:name], note: param[:note], by:)
          go_back
        end

        app.post("/projects/:project/groups/:group/remove") do
          gone = group
          Changes::RemovePalette.perform(project, actor:, palette: gone.palette, groups: [gone])
          tell "Removed #{gone.name}. Its places keep their colours; Undo brings it back"
          go_back
        end

        app.post("/projects/:project/outfits/:outfit") do
          by = {"up" => -1, "down" => 1}[param[:move]]
          as_seen outfit.name, name: outfit.name
          Changes::EditOutfit.perform(project, actor:, outfit:, name: param[:name], by:)
          go_back
        end

        app.post("/projects/:project/outfits/:outfit/remove") do
          gone = outfit
          Changes::RemoveOutfit.perform(project, actor:, outfit: gone)
          tell "Removed the outfit #{gone.name}. What wore it stays as it is; Undo brings it back"
          go_back
        end

        app.post("/projects/:project/swatches/:swatch/edit") do
          fields = param.texts(Changes::EditSwatch::FIELDS.keys).transform_keys(&:to_sym)
          saw = fields.keys.to_h { |field| [field, param["saw_#{field}"]] }.compact
          Changes::EditSwatch.perform(project, actor:, swatch: swatch, fields:, saw:)
          go_on
        end

        # Puts a value back that it had, or brings it where it should be.
        app.post("/projects/:project/swatches/:swatch/restore") do
          changed = swatch
          colour = param[:change] ? PastValues.colour(changed, param.id(:change)) : Magpie::Notation.parse(param.text(:notation))
          raise Magpie::Error, "#{changed.name} has no such value in its history" unless colour
          Changes::ChangeSwatches.perform(project, actor:, colours: {changed => colour}, saw: {changed => param.text(:before)}, what: "#{param.text(:what).empty? ? "Changed" : Magpie::Text.name(param[:what], longest: 60)} #{changed.name} from #{changed.hex} to #{colour.hex}", why: param[:why])
          tell "#{changed.name} is #{colour.hex} now"
          go_on
        end

        # A colour from the hand, onto an empty slot.
        app.post("/projects/:project/put") do
          content = held
          id, slot = param.text(:slot).split(":").map { |text| Frame::Asked.id(text) }
          kept = keep_held(group(id), content, slot:)
          redirect to(palettes_at(swatch: kept.id)), 303
        end

        app.post("/projects/:project/paints") do
          made = Changes::KeepPaint.perform(project, actor:, paint: InkForm.read(param, actor), group: param[:group] && group, swatch: param[:swatch] && swatch, name: param.text(:name))
          tell "#{made.name} is kept in #{made.group.name}"
          redirect to(palettes_at(swatch: made.id, do: nil)), 303
        end
      end
    end
  end
end
