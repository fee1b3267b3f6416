module Changes
  # What is done to parts of an artwork, given by their numbers, or to their fill or line.
  module OfParts
    include Colourways

    # @param numbers [Array<Integer>] of parts
    # @param role [String, nil] "fill" or "line", where it is only that
    def initialize(project, artwork:, numbers:, role: nil)
      super(project)
      @artwork, @numbers, @role = artwork, numbers, role
    end

    private

    # @return [Array<Integer>] ids of their places
    # @raise [Magpie::Error]
    def found_places
      found = @artwork.places_of(@numbers).joins(:part).where(role: @role).order(:id).pluck(:id, "parts.label")
      raise @artwork.without_parts(@numbers) if found.empty?
      @labels = found.map(&:last)
      own([@artwork], found.map(&:first))
    end

    # Notes which are not locked, to be said.
    # @return [Array<Integer>] their ids
    # @raise [Magpie::Error] where there are none
    def found_parts
      found = @artwork.parts.numbered(@numbers).where(kind: "part", locked: false).pluck(:id, :label)
      raise @artwork.without_parts(@numbers) if found.empty?
      @labels = found.map(&:last)
      found.map(&:first)
    end

    # "Moor" or "3 parts"
    def parts = (@labels.size == 1) ? @labels.first : count(@labels.size, "part")
  end
end
