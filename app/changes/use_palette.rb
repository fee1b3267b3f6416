module Changes
  # Which palettes a project works with, and in which order.
  class UsePalette < Change
    # @param how [String] "use", "leave", "earlier" or "later"
    def initialize(project, palette:, how:)
      super(project)
      @palette, @how = palette, how
    end

    private

    def make
      uses = project.uses.reset.to_a
      mine = uses.find { |use| use.palette_id == @palette.id }
      case @how
      when "use" then create(Use, project:, palette: @palette, position: next_position(project.uses)) unless mine
      when "leave" then remove(Use, [mine.id]) if mine
      else change_places(mine, uses[uses.index(mine) + ((@how == "earlier") ? -1 : 1)]) if mine && !(uses.first == mine && @how == "earlier")
      end
    end

    def change_places(one, other)
      return unless other
      positions = [one.position, other.position]
      update(one, position: positions.last)
      update(other, position: positions.first)
    end

    def words
      case @how
      when "use" then "Used #{@palette.name} here"
      when "leave" then "Took #{@palette.name} off this project"
      else "Moved #{@palette.name} #{@how}"
      end
    end
  end
end
