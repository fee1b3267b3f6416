module Changes
  # Puts a colour into a group as a loose swatch.
  class KeepColour < Change
    # @param name [String] a free one is suggested when it is empty
    # @param find [Find, nil] where it was found
    # @param entry [Entry, nil] of a library that it is: its name, its code and, where it has
    #   one, a spot ink
    # @param slot [Integer, nil] an empty one of the group; nil is after the last
    def initialize(project, group:, name:, colour:, definition: nil, find: nil, entry: nil, slot: nil)
      super(project)
      @slot, @entry = slot, entry
      @group, @name, @colour, @definition, @find = group, Magpie::Text.name(name), colour, definition, find
    end

    private

    def make
      taken = Swatch.where(group: @group).pluck(:name)
      name = @name.empty? ? Magpie::ColorName.unused(@entry&.name || Magpie::ColorName.suggest(@colour), taken) : @name
      raise Magpie::Error, "#{@group.name} already has a swatch called #{name}. Give this one another name" if taken.any? { |other| other.casecmp?(name) }
      raise Magpie::Error, "Slot #{@slot} of #{@group.name} is taken by now" if @slot && (@slot < 1 || Swatch.exists?(group: @group, position: @slot))
      @swatch = create(Swatch, group: @group, name:, colour: @colour, definition: @definition, find: @find, **@entry&.kept.to_h, position: @slot || next_position(Swatch.where(group: @group)))
    end

    def words = "Kept #{@swatch.name} in #{@group.name}"
  end
end
