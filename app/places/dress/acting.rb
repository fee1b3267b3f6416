module Places
  module Dress
    # What is done to parts at once, and how it is told.
    class Acting
      # @param numbers [Array<Integer>] of parts
      # @param desk [Frame::Desk]
      # @param param [Frame::Asked] of the request
      def initialize(desk, artwork, numbers, param)
        @project, @actor, @hand, @choices = desk.project, desk.actor, desk.hand, desk.choices
        @artwork, @numbers, @param = artwork, numbers, param
      end

      # @param act [String] "give-fill", "clear-line", "opacity-fill", "step-lighter", "exchange"
      # @yieldreturn [Hand::Content] what is given
      # @return [String, nil] what the page does not show by itself
      # @raise [Magpie::Error]
      def perform(act, &given)
        case act
        when "carry-parts" then carry
        when /\Awear-(\d{1,18})\z/ then change(Changes::WearOutfit, outfit: @actor.outfit($1))
        when "take-off" then change(Changes::WearOutfit, outfit: nil)
        when "outfit-keep" then keep_outfit
        when /\Aoutfit-change-(\d{1,18})-(\d{1,9})\z/ then change_outfit(@actor.outfit($1), $2.to_i)
        when "exchange" then change(Changes::ExchangePaints)
        when "lock", "unlock" then Changes::LockParts.perform(@project, actor: @actor, artwork: @artwork, numbers: @numbers, locked: act == "lock")
        when "tint" then change(Changes::TintParts, role: @choices[:target], percent: @param.number("tint", 100, 1..100))
        when "reset" then change(Changes::ResetParts)
        when "settings" then change(Changes::SetSettings, settings: Setting.new(PartSettings.new(@artwork, @numbers)).given(@param))
        when "unset" then change(Changes::SetSettings, settings: Magpie::Artwork::Settings.members.to_h { |name| [name, nil] })
        when "hide", "show" then change(Changes::SetSettings, settings: {hidden: (act == "hide") ? true : nil})
        when /\Agive-(fill|line)\z/ then change(Changes::DressParts, role: $1, content: given.call)
        when /\Aclear-(fill|line)\z/ then change(Changes::DressParts, role: $1, content: nil)
        when /\Aswitch-(fill|line)-(\w+)\z/ then change(Changes::SwitchPaints, role: $1, kind: $2, content: @hand.content)
        when /\Agradient-(fill|line)(?:-(\w+))?\z/ then edit_gradient($1, $2)
        when /\Aalike-(fill|line)\z/ then change(Changes::CarryDress, from: [@artwork, @numbers.min], what: [$1])
        when /\Aopacity-(fill|line)\z/ then change(Changes::SetOpacity, role: $1, opacity: @param.number("opacity_#{$1}", 100, 0..100) / 100)
        when /\Astep-(\w+)\z/ then @said = step($1)
        else raise Magpie::Error, "#{act[0, 40].inspect} is nothing that can be done to parts"
        end
        [@said, left_out(act)].compact.join(". ").presence
      end

      private

      # What was passed over, where others were given something.
      def left_out(act)
        locked = %w[lock unlock].include?(act) ? 0 : @artwork.parts.numbered(@numbers).where(kind: "part", locked: true).count
        "#{Magpie::Text.count(locked, "locked part")} #{(locked == 1) ? "was" : "were"} left as #{(locked == 1) ? "it is" : "they are"}" if locked > 0
      end

      # What it is made of becomes the parts' own, or is changed in the swatch that they follow.
      def edit_gradient(role, act)
        edited = Picked.new(@artwork, @numbers).edited(role) or raise Magpie::Error, "What is picked holds no gradient or pattern, or different ones"
        return keep_paint(edited, role) if act == "keep"
        edit = PaintEdit.of(edited).new(edited, @param, PartFrames.of(@artwork.template).of(@artwork.parts.numbered(@numbers).where(kind: "part").pluck(:key)), act, alone: @actor.alone?(@project)) { @hand.content }
        return change(Changes::LayParts, role:, laid: edit.laid, kind: edited.kind) if edit.only_laid?
        return Changes::KeepPaint.perform(@project, actor: @actor, paint: edit.paint, swatch: edited.swatch) if edited.swatch && edit.tint.nil? && @choices[:stepping] == "swatch"
        laid = (edited.own? || !edit.as_laid?) ? edit.laid : edited.laid_in(@numbers)
        change(Changes::PaintParts, role:, paint: edit.paint, laid:, tint: edit.tint)
        @said = "#{edited.swatch.name} is followed no longer by what is picked: it has a #{edited.kind} of its own" if edited.swatch
      end

      def keep_paint(edited, role)
        raise Magpie::Error, "#{edited.swatch.name} is a swatch already" if edited.swatch
        paint, laid = edited.kept_in(@numbers)
        parts = {artwork: @artwork, numbers: @numbers, role:, laid:}
        kept = Changes::KeepPaint.perform(@project, actor: @actor, paint:, group: @actor.group(@param.id(:paint_group)), name: @param.text(:paint_name), parts:)
        @said = "Kept #{kept.name} in #{kept.group.name}. What is picked follows it"
      end

      def carry
        id = @param.text(:from)[/\Aoutfit\.(\d{1,18})\z/, 1]
        return change(Changes::WearOutfit, outfit: @actor.outfit(id)) if id
        carrying = Carrying.new(@project.artworks.to_a, [], @param[:from], @choices)
        raise Magpie::Error, "Click the part first that it is carried from" unless carrying.part
        change(Changes::CarryDress, from: [carrying.artwork, carrying.number], what: carrying.what)
      end

      def keep_outfit
        kept = change(Changes::KeepOutfit, palette: @actor.palette(@param.id(:outfit_palette)), name: @param.text(:outfit_name))
        @said = "Kept the outfit #{kept.name}. What is picked wears it"
      end

      # @param saw [Integer] its edition on the page
      def change_outfit(outfit, saw)
        reached = change(Changes::ChangeOutfit, outfit:, saw:).reached
        @said = "Changed #{outfit.name}, and #{Magpie::Text.count(reached, "part")} that #{(reached == 1) ? "wears" : "wear"} it"
      end

      # What becomes of a swatch that is followed was chosen once, and is said each time.
      def step(step)
        changing = @choices[:stepping] == "swatch"
        done = change(Changes::StepParts, role: @choices[:target], step:, swatches: changing)
        return if done.swatches.empty?
        names = Magpie::Text.list(done.swatches.first(3).map(&:name))
        if changing
          "Changed #{names} with all that follows"
        else
          "#{names} #{(done.swatches.size == 1) ? "is" : "are"} followed no longer by what is picked: it has colours of its own"
        end
      end

      def change(kind, **given) = kind.perform(@project, actor: @actor, artwork: @artwork, numbers: @numbers, **given)
    end
  end
end
