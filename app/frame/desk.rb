module Frame
  # What every page is about: the project, the palettes that it shows, the hand.
  module Desk
    # Who this is.
    def actor = @actor ||= Actor.new(who: (Visitor.who(session[:visitor]) if request.post?))

    # The project that the address names.
    def project = @project ||= actor.project(number(params[:project]))

    def palettes = @palettes ||= project.palettes.includes(:groups).to_a

    # Those, and what is opened beside them without being used here.
    def shown_palettes
      @shown_palettes ||= begin
        opened = params[:open].to_s.split(",").first(20).map { |id| number(id) } - palettes.map(&:id)
        palettes + (opened.any? ? actor.palettes.where(id: opened).includes(:groups).order(:id).to_a : [])
      end
    end

    def groups = palettes.flat_map(&:groups)

    # What is drawn of the swatches of all palettes shown, by group.
    def chips = @chips ||= Chip.of_groups(shown_palettes.flat_map { |palette| palette.groups.map(&:id) })

    def chips_in(palette) = palette.groups.flat_map { |group| chips[group.id] }

    # Those that the project uses, and those that are shown.
    def used_chips = @used_chips ||= palettes.flat_map { |palette| chips_in(palette) }

    def shown_chips = @shown_chips ||= shown_palettes.flat_map { |palette| chips_in(palette) }

    # The palette that new groups go to: that of the group chosen in the hand.
    def palette_for_groups
      palettes.find { |each| each.groups.any? { |group| group.id == session[:group] } } || palettes.first || raise(Magpie::Error, "The project has no palette to keep them in")
    end

    # A swatch of the house: palettes belong to it, and any project may open them.
    def swatch(id) = actor.swatch(number(id))

    def hand = @hand ||= Hand.find_by(project:, visitor:) || Hand.create_or_find_by!(project:, visitor:)

    # Who this is: a random mark in the session, since the hand is a person's own.
    def visitor = session[:visitor] ||= SecureRandom.hex(8)

    # For forms that use what is in hand: they say what they showed.
    def shown_in_hand = %(<input type="hidden" name="held" value="#{hand.mark}">)

    # What is in hand, if it is still what the form showed.
    # @raise [Magpie::Error]
    def held
      content = hand.content or raise Magpie::Error, "There is nothing in hand. Click a picture or a swatch first"
      return content if params[:held].nil? || params[:held] == hand.mark
      raise Magpie::Error, "Another window has put something else in hand meanwhile: #{content.name} #{content.hex}. Nothing was done. Look, and do it again"
    end

    def finds = @finds ||= project.finds.includes(:source, :artwork).limit(60).to_a

    def reach = @reach ||= Swatch.reach(used_chips.map(&:id))

    def choices = @choices ||= Choices.new(hand)

    # The swatches that the project uses, to look colours up in.
    def used_index = @used_index ||= Magpie::Library::Nearest.of(used_chips)

    # What the sheet works on: a swatch, or what is in hand. nil when it is closed.
    def mixing
      return @mixing if defined?(@mixing)
      @mixing = case params[:mix]
      when nil, "" then nil
      when "hand" then hand.content && Hand::Content.new(**hand.content.to_h, swatch_id: nil)
      else Hand::Content.of_swatch(swatch(params[:mix]))
      end
    end

    # CSS values of all shared and loose swatches; places and chips follow these.
    def swatch_values
      shown_chips.map { |swatch| "#{swatch.variable}:#{swatch.hex}" }.join(";")
    end
  end
end
