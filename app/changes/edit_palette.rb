module Changes
  # Changes what is written about a palette, the limits of its health checks, and the
  # size of its grid.
  class EditPalette < Change
    # "dusk, print" as a list of tags: each once, without capitals.
    def self.tags(text) = text.to_s.split(",").map { |tag| Magpie::Text.name(tag, longest: 40).downcase }.reject(&:empty?).uniq.first(20)

    # @param name, note, tags [String, nil] nil leaves it
    # @param limits [Hash{String => Float}] of Palette::LIMITS
    # @param columns, rows [Integer, nil] of the grid
    def initialize(project, palette:, name: nil, note: nil, tags: nil, limits: {}, columns: nil, rows: nil)
      super(project)
      @palette, @limits = palette, limits
      @columns = {name: name && Magpie::Text.name(name), note: note && Magpie::Text.name(note, longest: 500).presence, tags: tags && EditPalette.tags(tags), columns:, rows:}
      @columns.delete_if { |column, value| value.nil? && !(column == :note && note) }
      @was = palette.name
    end

    private

    def make
      raise Magpie::Error, "A palette needs a name" if @columns[:name] == ""
      check_grid
      check_limits
      @columns[:limits] = now(@palette, :limits).merge(@limits) if @limits.any?
      update(@palette, **@columns)
      @palette
    end

    def check_grid
      {columns: Magpie::Palette::Grid::WIDTHS, rows: Magpie::Palette::Grid::HEIGHTS}.each do |side, range|
        raise Magpie::Error, "#{@columns[side]} #{side}: expected #{range.begin} to #{range.end}" if @columns[side] && !range.cover?(@columns[side])
      end
    end

    def check_limits
      @limits.each do |name, value|
        range = Palette::LIMITS.fetch(name) { raise Magpie::Error, "There is no check called #{name}" }.last
        raise Magpie::Error, "A limit of #{value}: expected #{range.begin} to #{range.end}" unless value.is_a?(Float) && range.cover?(value)
      end
    end

    def words
      return "Set the limits of #{@palette.name}’s checks" if @limits.any?
      return "Renamed the palette #{@was} to #{@palette.name}" if @was != @palette.name
      return "Set the grid of #{@palette.name} to #{@palette.columns} × #{@palette.rows}" if @columns.key?(:columns) || @columns.key?(:rows)
      "Changed what is noted about #{@palette.name}"
    end
  end
end
