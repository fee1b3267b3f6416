module Changes
  # Keeps as a find a colour that was read without pixels: a part's own paint, a
  # main colour, a sample of the screen.
  class TakeColour < Change
    include OfProject

    # @param colour [Magpie::Color]
    # @param readable [Readable, nil]
    # @param origin [Hash] columns of the find that say where it came from
    def initialize(project, colour:, way:, readable: nil, **origin)
      super(project)
      @colour, @readable, @origin = colour, readable, {way:, **origin}
    end

    private

    def make = @find = create(Find, project:, created_at: Time.now, **Reading.from(@readable), **Reading.flat(@colour), **@origin)

    def words = "Found #{@find.name} #{if @readable
                                         "in #{@readable.name}"
                                       else
                                         (@origin[:way] == "typed") ? "as a notation" : "on the screen"
                                       end}"
  end
end
