module Places
  module House
    # All projects, each with a strip of the colours that it uses.
    class Page
      STRIP = 24

      Tile = Struct.new(:id, :name, :client, :hexes, :sources, :artworks)

      # @param actor [Actor]
      def initialize(actor) = @actor = actor

      # @return [Array<Tile>]
      def tiles
        @actor.projects.includes(:artworks, :sources, uses: {palette: {groups: :swatches}}).order(:id).map do |project|
          swatches = project.uses.map(&:palette).flat_map(&:groups).flat_map(&:swatches)
          Tile.new(project.id, project.name, project.client.presence || "no client named", swatches.first(STRIP).map(&:hex), project.sources.size, project.artworks.size)
        end
      end
    end
  end
end
