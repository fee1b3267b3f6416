module Routes
  # Palettes: groups of touching chips, names, reach, sharing.
  module Palettes
    def self.registered(app)
      app.get("/projects/:project/palettes") do
        @swatch = palettes.flat_map(&:groups).flat_map(&:swatches).find { |each| each.id == number(params[:swatch]) }
        @sharing = @swatch && params[:share] && !@swatch.shared
        place_page "palettes", "page"
      end

      app.post("/projects/:project/palettes/:palette/groups") do
        palette = palettes.find { |each| each.id == number(params[:palette]) } or raise ActiveRecord::RecordNotFound
        group = Changes::AddGroup.perform(project, palette:, name: params[:name])
        session[:group] = group.id
        go_back
      end

      app.post("/projects/:project/swatches/:swatch/name") do
        Changes::RenameSwatch.perform(project, swatch: swatch(params[:swatch]), name: params[:name])
        go_back
      end

      app.post("/projects/:project/swatches/:swatch/share") do
        shared = swatch(params[:swatch])
        places = Array(params[:places]).map { |id| number(id) }
        Changes::ShareSwatch.perform(project, swatch: shared, place_ids: places)
        tell "#{shared.name} is shared now and reaches #{count(Swatch.reach(shared.id).values.sum, "place")}"
        go_on at("palettes", swatch: shared.id)
      end
    end
  end
end
