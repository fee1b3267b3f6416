module Changes
  # Puts a colour into a group as a loose swatch.
  class KeepColour < Change
    # @param name [String] a free one is suggested when it is empty
    # @param find [Find, nil] where it was found
    def initialize(project, group:, name:, colour:, definition: nil, find: nil)
      super(project)
      @group, @name, @colour, @definition, @find = group, Magpie::Text.name(name), colour, definition, find
    end

    private

    def make
      taken = Swatch.where(group: @group).pluck(:name)
      name = @name.empty? ? Magpie::ColorName.unused(Magpie::ColorName.suggest(@colour), taken) : @name
      raise Magpie::Error, "#{@group.name} already has a swatch called #{name}. Give this one another name" if taken.any? { |other| other.casecmp?(name) }
      @swatch = create(Swatch, group: @group, name:, colour: @colour, definition: @definition, find: @find, position: next_position(Swatch.where(group: @group)))
    end

    def words = "Kept #{@swatch.name} in #{@group.name}"
  end
end
