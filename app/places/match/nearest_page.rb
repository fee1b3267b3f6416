module Places
  module Match
    # Nearest: of what is in hand, or of a colour that was typed, the five nearest touching it,
    # twenty more, and what lies around the chosen one in its chart.
    class NearestPage
      TOUCHING, MORE = 5, 20
      AROUND = 7 # on either side
      NOTATION = /\A#|\(/ # what nothing is called

      # @param param [Frame::Asked]
      # @param desk [Frame::Desk]
      def initialize(param, desk)
        @param, @desk = param, desk
      end

      def pool = @pool ||= Pool.new(@desk)

      def hand_view = :acts

      # @return [Press]
      def press = @press ||= Press.new(@desk, colour, entry: (entry_in_hand || noted unless typed))

      def room = @room ||= (Room.new(content.colour, chosen, spectrum_in_hand) if plain? && chosen)

      # @return [Hand::Content, nil]
      def content = defined?(@content) ? @content : @content = @desk.hand.content

      # What has a colour of its own, which a gradient or pattern in hand has not.
      def plain? = content && !content.css

      # Colours of what is in hand, where it has several.
      # @return [Array<Chip, String>]
      def inks = swatch&.paint&.inks.to_a.map { |ink| ink.colour.hex }.uniq

      def search = @search ||= @param.text(:search).strip[0, 200]

      # What was typed, where it is a colour.
      # @return [Magpie::Color, nil]
      def typed
        return @typed if defined?(@typed)
        @typed = search.empty? ? nil : Magpie::Notation.parse(search)
      rescue Magpie::Error
        @typed = nil
      end

      # Called so, where something is searched for.
      # @return [Array<Near>]
      def called
        return [] if search.empty? || (typed && search.match?(NOTATION))
        @called ||= pool.called(search).map { |near| content ? near.with(Magpie::Difference.de2000(content.colour, near.colour)) : near }
      end

      # Shown instead of the nearest: names that were found, or that none was.
      def searching? = !search.empty? && (called.any? || typed.nil?)

      # The colour that the nearest are asked of.
      # @return [Magpie::Color, nil]
      def colour = (typed unless called.any?) || (content.colour if plain?)

      # Its name.
      def of = (typed && called.empty?) ? search : content.name

      def found = @found ||= colour ? pool.nearest(colour, TOUCHING + MORE, without: (content&.swatch_id unless typed)) : []

      def touching = found.first(TOUCHING)

      def more = found.drop(TOUCHING)

      # How each of those prints, in words.
      # @return [String]
      def prints(near) = (@prints ||= found.zip(press.words(found.map(&:colour))).to_h)[near]

      # The one that was chosen, or the nearest.
      # @return [Near, nil]
      def chosen
        return @chosen if defined?(@chosen)
        key = @param[:entry]
        picked = (found + called).find { |near| near.key == key } || pool.find(key) if key
        @chosen = (picked && picked.difference.nil? && content) ? picked.with(Magpie::Difference.de2000(content.colour, picked.colour)) : picked
        @chosen ||= found.first unless searching?
      end

      def chosen?(near) = chosen&.key == near.key

      # Its neighbours in the order of its chart.
      # @return [Array<Near>]
      def around = @around ||= if chosen
                     chosen.entry ? around_entry : around_swatch
                   else
                     []
                   end

      # "Tarn & Fell masonry paints, page 3"
      def where
        entry = chosen.entry or return chosen.from
        [chosen.from, entry.page && "page #{entry.page}", entry.cell && "at #{entry.cell}", (entry.section unless entry.page)].compact.join(", ")
      end

      # The swatch that is in hand, of which a match can be noted.
      # @return [Swatch, nil]
      def swatch = @swatch ||= @desk.actor.swatches.find_by(id: content&.swatch_id.to_i)

      # What is noted of it.
      # @return [Entry, nil]
      def noted = swatch&.entry

      # Is it asked what changing the swatch would do?
      def changing? = @param.on?(:change) && swatch && chosen && !swatch.paint

      # @return [Previewed]
      def previewed = @previewed ||= Previewed.new(@desk, {swatch => chosen.colour})

      private

      def around_entry
        at = chosen.entry.position
        Entry.where(library_id: chosen.entry.library_id, edition: chosen.entry.edition, position: (at - AROUND)..(at + AROUND)).order(:position, :id).map { |entry| pool.near(entry) }
      end

      def around_swatch
        chips = @desk.used_chips.reject(&:paint_json)
        at = chips.index { |chip| chip.id == chosen.swatch_id } or return []
        chips[[at - AROUND, 0].max..at + AROUND].map { |chip| Near.of_chip(chip, chosen.from) }
      end

      # @return [Entry, nil]
      def entry_in_hand = @entry_in_hand ||= content&.entry_id && @desk.actor.entries.find_by(id: content.entry_id)

      # That of the entry that is in hand, or that is noted of the swatch.
      def spectrum_in_hand = entry_in_hand&.spectrum || (noted.spectrum if noted && noted.hex == swatch.hex)
    end
  end
end
