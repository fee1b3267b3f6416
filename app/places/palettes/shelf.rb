module Places
  module Palettes
    # All palettes of the house: finding, using, duplicating, merging, putting away.
    module Shelf
      def self.registered(app)
        app.get("/projects/:project/shelf") do
          @page = ShelfPage.new(desk, params)
          @place, @title = "palettes", "All palettes"
          erb :shelf
        end

        app.post("/projects/:project/shelf") do
          made = Changes::AddPalette.perform(project, actor:, name: params[:name], note: params[:note].to_s, tags: params[:tags].to_s)
          desk.keep_in made.groups.first
          tell "Added #{made.name}. This project uses it"
          redirect to(at("palettes")), 303
        end

        app.post("/projects/:project/shelf/:palette") do
          as_seen palette.name, name: palette.name, note: palette.note, tags: palette.tags.join(", ")
          limits = Palette::LIMITS.keys.to_h { |name| [name, params["limit_#{name}"]] }.compact.transform_values { |text| Float(text, exception: false) || raise(Magpie::Error, "#{text.inspect} is no number") }
          sides = %i[columns rows].to_h { |side| [side, params[side] && number(params[side])] }.compact
          Changes::EditPalette.perform(project, actor:, palette:, name: params[:name], note: params[:note], tags: params[:tags], limits:, **sides)
          go_back
        end

        app.post("/projects/:project/shelf/:palette/use") do
          how = %w[use leave earlier later].include?(params[:how]) ? params[:how] : "use"
          Changes::UsePalette.perform(project, actor:, palette:, how:)
          go_back
        end

        app.post("/projects/:project/shelf/:palette/duplicate") do
          raise Magpie::Error, "#{palette.name} has no group to duplicate" if palette.groups.empty?
          copy = Changes::CopyGroups.perform(project, actor:, groups: palette.groups.includes(:swatches).to_a)
          tell "Duplicated #{palette.name} as #{copy.name}. This project uses it"
          redirect to(at("shelf", palette: copy.id)), 303
        end

        # Single groups, or all, into a palette of this project.
        app.post("/projects/:project/shelf/:palette/bring") do
          groups = palette.groups.where(id: Array(params[:groups]).map { |id| number(id) }).includes(:swatches).to_a
          into = actor.palette(number(params[:into]))
          Changes::CopyGroups.perform(project, actor:, groups:, into:)
          tell "Brought #{Magpie::Text.list(groups.map(&:name))} into #{into.name}"
          redirect to(at("palettes")), 303
        end

        app.post("/projects/:project/shelf/:palette/merge") do
          into = actor.palette(number(params[:into]))
          Changes::MergePalettes.perform(project, actor:, from: palette, into:, limit: asked(:limit, 2.0, 0..20))
          tell Turns.new(project).to_undo.words
          redirect to(at("shelf", palette: into.id)), 303
        end

        app.post("/projects/:project/shelf/:palette/archive") do
          Changes::ArchivePalette.perform(project, actor:, palette:, archived: params[:archived] == "1")
          go_back
        end

        app.post("/projects/:project/shelf/:palette/remove") do
          Changes::RemovePalette.perform(project, actor:, palette:)
          tell "Removed #{palette.name}. Its places keep their colours; Undo brings it back"
          redirect to(at("shelf")), 303
        end
      end
    end
  end
end
