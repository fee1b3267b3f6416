require "forwardable"

module Frame
  # The desk of a request, and what routes ask of it.
  module AtDesk
    extend Forwardable

    def_delegators :desk, :palettes, :groups, :hand, :choices

    # Who this is, and in which window. Only what is changed is signed.
    def actor
      @actor ||= Actor.new(who: (Visitor.who(session[:visitor]) if request.post?), window: request.env["HTTP_X_WINDOW"].to_s[/\A\w{1,40}\z/], seen: request.env["HTTP_X_SEEN"].to_s[/\A\d{1,15}-\d{1,15}-\d{1,15}\z/])
    end

    # The project that the address names.
    def project = @project ||= actor.project(param.id(:project))

    def desk = @desk ||= Desk.new(actor, project, visitor:, opened: param.ids(:open, most: 20))

    # A random mark in the session, which stands for the person.
    def visitor = session[:visitor] ||= SecureRandom.hex(8)

    # A swatch of the house: palettes belong to it, and any project may open them.
    def swatch(id = param.id(:swatch)) = actor.swatch(id)

    # The Mix sheet, where it is open.
    def sheet = defined?(@sheet) ? @sheet : @sheet = desk.mixing(param[:mix])&.then { |content| Sheet.new(content, desk) }

    # Is Mix asked for on what somebody removed?
    def mixing_what_is_gone? = param.id(:mix) > 0 && sheet.nil?

    def head = @head ||= Head.new(project, visitor)

    def shortcuts = head.shortcuts

    # What the title of a control says of its key.
    # @return [String] " (F)", or nothing where none does it
    def by_key(name) = (" (#{Shortcuts.written(shortcuts.key(name))})" if !shortcuts.off? && shortcuts.key(name)).to_s

    def in_hand = @in_hand ||= InHand.new(hand)

    def find_list = @find_list ||= FindList.new(desk, looked)

    # Artworks that a page shows together.
    # @return [Drawn]
    def drawn(artworks) = (@drawn ||= {})[artworks.map(&:id)] ||= Drawn.new(artworks, desk)

    # What is looked at, in a place that looks at something.
    def looked = nil

    # The views that the hand shows between its ends, and at its end.
    def hand_middle = [:"shared/finds"]

    def hand_end = :"shared/keep"

    # For forms that use what is in hand: they say what they showed.
    def shown_in_hand = %(<input type="hidden" name="held" value="#{hand.mark}">)

    # What is in hand, if it is still what the form showed.
    # @raise [Magpie::Error]
    def held
      content = hand.content or raise Magpie::Error, "There is nothing in hand. Click a picture or a swatch first"
      return content if hand.as_shown?(param[:held], actor.window)
      raise Magpie::Error, "Another window has put something else in hand meanwhile: #{content.name} #{content.hex}. Nothing was done. Look, and do it again"
    end

    # @param content [Hand::Content]
    def take_in_hand(content) = hand.hold(content, actor.window)

    # A colour is kept, and held from then on.
    # @return [Swatch]
    def keep(group, colour, name: "", slot: nil, find: nil, entry: nil)
      kept = Changes::KeepColour.perform(project, actor:, group:, name:, colour:, slot:, find:, entry:)
      take_in_hand Hand::Content.of_swatch(kept)
      tell "Kept #{kept.name} in #{group.name}"
      kept
    end

    # What is in hand is kept, with where it is from.
    # @param content [Hand::Content]
    # @return [Swatch]
    def keep_held(group, content, **given)
      find = project.finds.find_by(id: content.find_id) if content.find_id
      entry = actor.entries.find_by(id: content.entry_id) if content.entry_id
      keep(group, content.colour, find:, entry:, **given)
    end

    # The group that a form names, which is kept in from then on.
    # @raise [Magpie::Error]
    def group_to_keep_in(otherwise)
      group = desk.group(param.id(:group)) or raise Magpie::Error, otherwise
      desk.keep_in group
      group
    end
  end
end
