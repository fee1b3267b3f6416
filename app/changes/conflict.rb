module Changes
  # Somebody else changed meanwhile what a person was changing. Both values are told,
  # and the person chooses.
  class Conflict < Magpie::Error
    class << self
      alias_method :over, :new
    end

    attr_reader :swatch, :field, :saw, :theirs, :mine

    def initialize(swatch, field:, saw:, theirs:, mine:)
      @swatch, @field, @saw, @theirs, @mine = swatch, field, saw, theirs, mine
      super("#{swatch.name} was changed meanwhile: its #{field} was #{show(saw)} when you looked, and is #{show(theirs)} now. You wanted #{show(mine)}")
    end

    private

    def show(value) = value.to_s.empty? ? "empty" : value
  end
end
