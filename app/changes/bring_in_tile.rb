module Changes
  # Brings a drawing or a picture in as a tile of patterns.
  class BringInTile < Change
    include OfProject

    def initialize(project, name:, bytes:)
      super(project)
      @file, @bytes = Magpie::Text.name(name), bytes
    end

    private

    def prepare
      @svg, @seams = Magpie::Walls.tile(@bytes, name: @file)
    end

    def make
      form = Tile.keep(@svg, @seams)
      there = project.own_tiles.find_by(form:)
      raise Magpie::Error, "#{@file} is here already, as #{there.name}" if there
      @tile = create(OwnTile, project:, form:, name: Magpie::Palette::Tile.find(form).title, position: next_position(project.own_tiles))
    end

    def words = "Brought in the tile #{@tile.name}"
  end
end
