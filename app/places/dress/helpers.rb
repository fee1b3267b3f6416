module Places
  module Dress
    # What Dress asks for.
    module Helpers
      TRIED = 400 # swatches in one address

      # What the window has picked, and what its stage shows: "artwork:parts" and
      # "artwork-stamp", by headers, since a page may have thousands of parts picked.
      # @return [[Integer, Array<Integer>]]
      def picks
        id, numbers = request.env["HTTP_X_PICKED"].to_s.split(":", 2)
        [Frame::Asked.id(id.to_s), Numbers.read(numbers.to_s)]
      rescue Magpie::Error
        [0, []]
      end

      # What a form says in which a chip of the rack takes its swatch in hand.
      def holding
        to = at("dress", artwork: @page.artwork&.id, tool: @page.picked ? param[:tool] : "sweep")
        %(#{token}<input type="hidden" name="stay" value="dress"><input type="hidden" name="to" value="#{Rack::Utils.escape_html(to)}">)
      end

      # @return [[Integer, Integer], nil]
      def painted = request.env["HTTP_X_PAINTED"].to_s[/\A\d{1,18}-\d{1,18}\z/]&.split("-")&.map(&:to_i)

      # Pages show what a swatch reaches, also in other projects.
      def drawn_artwork = @drawn_artwork ||= actor.artworks.find(param.id(:artwork))

      # What swatches would hold: "5-E46F58.7-FFFFFF80".
      # @return [Hash{Integer => Magpie::Color}]
      def tried
        pairs = param.text(:try).split(".").first(TRIED).filter_map { |text| text.match(/\A(\d{1,18})-(\h{6,8})\z/)&.captures }
        pairs.to_h { |id, hex| [id.to_i, Magpie::Notation.parse("##{hex}")] }
      end

      def artwork = @artwork ||= project.artworks.find(param.id(:artwork))

      # What shows other colourways, which may follow what is done to one, and another look.
      def family_parts
        family = Artwork.exists?(first_id: artwork.drawn_id, removed_at: nil)
        [*("others" if family), *("panes" if family || came_from.to_s.include?("look="))]
      end

      # How patches are looked for, as is said, or as it was last.
      # @return [Filling]
      def filling = Filling.of(param, Filling.read(choices[:filling]))

      # @param change [Class] of a change of one
      def colourway(change, **given) = change.perform(project, actor:, artwork:, **given)

      # @param change [Class] of a change of an artwork with its colourways
      def of_artwork(change, **given) = change.perform(project, actor:, artwork:, **given)

      # What became of the dress of an artwork that was replaced.
      # @param change [Changes::ReplaceArtwork]
      def replaced(change)
        lost, told = change.lost, Artworks::TOLD
        more = " and #{lost.size - told} more" if lost.size > told
        missing = " Not found again, of what was dressed: #{Magpie::Text.list(lost.first(told))}#{more}." if lost.any?
        "Replaced #{change.made.name}: #{count(change.found, "part")} kept what they were dressed with.#{missing}"
      end

      # What is given: a swatch or a find that was dropped, which is in hand from then on; or
      # what is in hand.
      # @return [Hand::Content]
      def given
        return held unless param[:swatch] || param[:find]
        content = param[:swatch] ? Hand::Content.of_swatch(swatch) : Hand::Content.of_find(project.finds.find(param.id(:find)))
        content.tap { take_in_hand content }
      end

      # What was brought in, and what was left out of the files.
      def what_came(artworks)
        return [] if artworks.empty?
        dropped = artworks.flat_map { |each| each.dropped.map { |line| "#{each.name}, #{line}" } }
        left_out = "Left out: #{dropped.first(6).join("; ")}#{" and #{dropped.size - 6} more" if dropped.size > 6}" if dropped.any?
        ["Brought in #{Magpie::Text.list(artworks.map { |each| "#{each.name}, #{LayersOfDrawings.of(each.template).any? ? "a picture" : count(each.part_count, "part")}" })}", left_out].compact
      end

      # One of the two that a swap is shown by: an outfit, or a colour; nothing where it stays.
      # @return [String] HTML
      def swap_side(side, css)
        return erb(:"shared/outfit", layout: false, locals: {outfit: side}) if side.is_a?(DrawnOutfit)
        css ? %(<i style="background:#{Rack::Utils.escape_html(css)}"></i>) : %(<i class="swap-none"></i>)
      end

      # The hand shows the part that is picked, and what the swatch in it reaches.
      def hand_middle
        return [:carry] if @page&.carrying
        return [:patch] if @page&.artwork && @page.tool == "patch"
        return [:fill] if @page&.artwork && @page.tool == "fill"
        @page&.picked ? [:picked] : super
      end

      def hand_end = @page&.held ? :reach : super
    end
  end
end
