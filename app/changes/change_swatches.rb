module Changes
  # Gives swatches other colours. Everything that follows them follows at once, since
  # places hold the swatch and not its value: the cost does not grow with the reach. A
  # tint whose swatch is among them follows it; any other becomes a colour of its own.
  class ChangeSwatches < Change
    include Ties

    attr_reader :why

    # @param colours [Hash{Swatch => Magpie::Color}]
    # @param what [String] what was done, for the list of changes
    # @param saw [Hash{Swatch => String}] hexes that the person saw
    # @param why [String, nil]
    def initialize(project, colours:, what:, saw: {}, why: nil)
      super(project)
      @colours, @what, @saw = colours, what, saw
      @why = Magpie::Text.name(why, longest: 300).presence
    end

    private

    def make
      swatches = Swatch.lock.where(id: @colours.keys.map(&:id)).order(:id).index_by(&:id)
      raise Magpie::Error, "A swatch was removed meanwhile. Look at the palette again" unless swatches.size == @colours.size
      given = @colours.to_h { |swatch, colour| [swatches[swatch.id], colour] }
      check(given)
      write(given.except(*Following::Plan.new(given.keys).led).reject { |swatch, colour| swatch.colour == colour })
      given.keys
    end

    def write(given)
      untie(given.keys.map(&:id))
      update_each(Swatch, given.to_h { |swatch, colour| [swatch.id, {colour:, hex: colour.hex, definition: nil}] })
      run_through(given.keys)
    end

    def check(given)
      refuse_locked(given.keys)
      made = given.keys.find(&:paint)
      raise Magpie::Error, "#{made.name} is a gradient or pattern. Change its inks" if made
      given.each do |swatch, colour|
        saw = @saw.find { |each, _| each.id == swatch.id }&.last
        raise Conflict.over(swatch, field: "colour", saw:, theirs: swatch.hex, mine: colour.hex) if saw && saw != swatch.hex && !actor.alone?(project)
      end
    end

    def words = @what
  end
end
