module Changes
  # Moves a test patch.
  class MovePatch < Change
    include OfPatch

    # @param left, top [Float] shares of the drawing's sides
    def initialize(project, left:, top:, **given)
      super(project, **given)
      @left, @top = left, top
    end

    private

    def make = update(@patch, left: @left.clamp(0.0, 1 - @patch.width), top: @top.clamp(0.0, 1 - @patch.height))

    def words = "Moved #{named}"
  end
end
