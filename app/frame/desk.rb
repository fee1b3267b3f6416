module Frame
  # What somebody works at: a project, the palettes that it uses and those that are
  # opened beside them, what is in hand, what was chosen. Each thing is read once.
  class Desk
    # So many finds are shown in the hand.
    FINDS = 60

    attr_reader :actor, :project

    # @param visitor [String] the mark of the browser, since the hand is a person's own
    # @param opened [Array<Integer>] palettes that are looked at without being used
    def initialize(actor, project, visitor:, opened: [])
      @actor, @project, @visitor, @opened = actor, project, visitor, opened
    end

    def palettes = @palettes ||= rows.palettes

    # Those, and what is opened beside them.
    def shown_palettes
      @shown_palettes ||= begin
        opened = @opened - palettes.map(&:id)
        palettes + (opened.any? ? OnDesk.with_groups(actor.palettes.where(id: opened).order(:id).to_a) : [])
      end
    end

    def groups = palettes.flat_map(&:groups)

    # The group that is kept in, of the project's: the one asked for, if it is there.
    def group(id) = groups.find { |each| each.id == id }

    # The group that was kept in last, which is proposed the next time.
    # @return [Integer] 0 where there is none
    def kept_in = choices[:group].to_i

    # @param group [Group]
    def keep_in(group) = choices.take("group" => group.id)

    # The palette that new groups go to: that of the group last kept in.
    # @raise [Magpie::Error]
    def palette_for_groups
      palettes.find { |each| each.groups.any? { |group| group.id == kept_in } } || palettes.first || raise(Magpie::Error, "The project has no palette to keep them in")
    end

    # What is drawn of the swatches of all palettes shown, by group.
    def chips = @chips ||= Chip.of_groups(shown_palettes.flat_map { |palette| palette.groups.map(&:id) })

    def chips_in(palette) = palette.groups.flat_map { |group| chips[group.id] }

    # Those that the project uses, and those that are shown.
    def used_chips = @used_chips ||= palettes.flat_map { |palette| chips_in(palette) }

    def shown_chips = @shown_chips ||= shown_palettes.flat_map { |palette| chips_in(palette) }

    # The swatches that the project uses, to look colours up in.
    def used_index = @used_index ||= Magpie::Library::Nearest.of(used_chips)

    # The CSS custom properties that places and chips follow.
    def values = shown_chips.map { |swatch| "#{swatch.variable}:#{swatch.hex}" }.join(";")

    def finds = @finds ||= rows.finds(most: FINDS)

    # @return [OnDesk]
    def rows = @rows ||= OnDesk.new(project)

    def hand = @hand ||= Hand.of(project, @visitor)

    # Tells whether anybody did anything since, see HouseVersion.
    def version = @version ||= HouseVersion.new(actor, project, hand).to_s

    def choices = @choices ||= Choices.new(hand)

    # @param mix [String, nil] what the sheet is asked to work on: a swatch's number, or "hand"
    # @return [Hand::Content, nil] nil when it is closed, or what it worked on is gone
    def mixing(mix)
      return if mix.to_s.empty?
      return actor.swatches.find_by(id: Asked.id(mix))&.then { |swatch| Hand::Content.of_swatch(swatch) } unless mix == "hand"
      hand.content && Hand::Content.new(**hand.content.to_h, swatch_id: nil)
    end
  end
end
