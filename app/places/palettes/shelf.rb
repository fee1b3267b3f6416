module Places
  module Palettes
    # All palettes of the house: finding, using, duplicating, merging, putting away.
    module Shelf
      def self.registered(app)
        app.get("/projects/:project/shelf") do
          @page = ShelfPage.new(desk, param)
          @place, @title = "palettes", "All palettes"
          erb :shelf
        end

        app.post("/projects/:project/shelf") do
          made = Changes::AddPalette.perform(project, actor:, name: param[:name], note: param.text(:note), tags: param.text(:tags))
          desk.keep_in made.groups.first
          tell "Added #{made.name}. This project uses it"
          redirect to(at("palettes")), 303
        end

        app.post("/projects/:project/shelf/:palette") do
          as_seen palette.name, name: palette.name, note: palette.note, tags: palette.tags.join(", ")
          limits = Palette::LIMITS.keys.select { |name| param.given?("limit_#{name}") }.to_h { |name| [name, param.exactly("limit_#{name}")] }
          sides = %i[columns rows].select { |side| param.given?(side) }.to_h { |side| [side, param.whole(side, 0..10_000)] }
          Changes::EditPalette.perform(project, actor:, palette:, name: param[:name], note: param[:note], tags: param[:tags], limits:, **sides)
          go_back
        end

        app.post("/projects/:project/shelf/:palette/use") do
          how = %w[use leave earlier later].include?(param[:how]) ? param[:how] : "use"
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
          groups = palette.groups.where(id: param.list(:groups).map { |id| Frame::Asked.id(id) }).includes(:swatches).to_a
          into = actor.palette(param.id(:into))
          Changes::CopyGroups.perform(project, actor:, groups:, into:)
          tell "Brought #{Magpie::Text.list(groups.map(&:name))} into #{into.name}"
          redirect to(at("palettes")), 303
        end

        app.post("/projects/:project/shelf/:palette/merge") do
          into = actor.palette(param.id(:into))
          Changes::MergePalettes.perform(project, actor:, from: palette, into:, limit: param.number(:limit, 2.0, 0..20))
          tell Turns.new(project).to_undo.words
          redirect to(at("shelf", palette: into.id)), 303
        end

        app.post("/projects/:project/shelf/:palette/archive") do
          Changes::ArchivePalette.perform(project, actor:, palette:, archived: param.on?(:archived))
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
