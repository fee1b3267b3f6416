module Changes
  # Makes shared swatches of stray colours, as a group of a palette, and links the places
  # that hold them.
  class KeepStrays < Change
    include Ties

    MOST = 100 # swatches at once

    # @param artworks [Array<Artwork>]
    # @param hexes [Array<String>] of strays
    # @param name [String] of the group; empty for a suggestion
    def initialize(project, artworks:, hexes:, palette:, name: "")
      super(project)
      @artworks, @hexes, @palette, @name = artworks, hexes.uniq, palette, Magpie::Text.name(name)
    end

    # @return [Group] that was made
    attr_reader :group

    private

    def make
      raise Magpie::Error, "There is no stray colour to keep" if @hexes.empty?
      raise Magpie::Error, "#{@hexes.size} colours at once: the limit is #{MOST}. Link or pick some first" if @hexes.size > MOST
      groups = Group.where(palette: @palette)
      @group = create(Group, palette: @palette, name: Magpie::ColorName.unused(@name.empty? ? "Colours of #{@artworks.first.name}" : @name, groups.pluck(:name)), position: next_position(groups))
      @linked = link(@artworks, swatches)
      self
    end

    # {hex => Swatch}
    def swatches
      colours = @hexes.map { |hex| Magpie::Notation.parse(hex) }
      rows = colours.zip(Magpie::ColorName.suggest_all(colours)).map.with_index(1) { |(colour, name), position| {group_id: @group.id, name:, colour:, hex: colour.hex, shared: true, position:} }
      @hexes.zip(Swatch.where(id: create_all(Swatch, rows)).order(:position)).to_h
    end

    def words = "Made #{count(@hexes.size, "swatch")} of strays, as the group #{@group.name}, and linked #{count(@linked, "place")}"
  end
end
