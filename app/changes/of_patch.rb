module Changes
  # What is done to a test patch.
  module OfPatch
    include OfProject

    SMALLEST = 0.004 # of a side of the drawing
    INSIDE = 0.0..1.0

    # @param patch [Patch]
    def initialize(project, patch:)
      super(project)
      @patch = patch
    end

    private

    # Brought into the drawing, and large enough to be seen.
    # @param box [Hash{Symbol => Float}] left, top, width and height, as shares
    def within(box)
      left, top = box.values_at(:left, :top).map { |share| share.clamp(INSIDE.begin, INSIDE.end - SMALLEST) }
      {left:, top:, width: box[:width].clamp(SMALLEST, 1 - left), height: box[:height].clamp(SMALLEST, 1 - top)}
    end

    def named = (@patch.shape == "word") ? "“#{@patch.word}”" : "a test patch"
  end
end
