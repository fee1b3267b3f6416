module Places
  module Match
    # A board as a sheet: all its variants beside and below each other, with their names.
    class Sheet
      ACROSS, GAP, HEAD, FOOT = 2, 28, 64, 26 # columns; user units

      # @param shown [ShownBoard]
      def initialize(shown) = @shown = shown

      # @return [String] SVG
      def svg
        width, height = [Magpie::Painters::Board::WIDTH, Magpie::Painters::Board::HEIGHT]
        rows = (@shown.variants.size / ACROSS.to_f).ceil
        whole = [GAP + ACROSS * (width + GAP), HEAD + rows * (height + FOOT + GAP)]
        variants = @shown.variants.each_with_index.map { |variant, index| variant(variant, GAP + index % ACROSS * (width + GAP), HEAD + index / ACROSS * (height + FOOT + GAP), height) }
        %(<svg xmlns="http://www.w3.org/2000/svg" width="#{whole[0]}" height="#{whole[1]}" viewBox="0 0 #{whole.join(" ")}" font-family="#{Magpie::Painters::Board::FONT}" font-size="12.5"><title>#{text(@shown.board.name)}</title><rect width="#{whole[0]}" height="#{whole[1]}" fill="#FFFFFF"/><text x="#{GAP}" y="40" font-size="22" font-weight="700" fill="#161616">#{text(@shown.board.name)}</text>#{variants.join}</svg>)
      end

      private

      def variant(variant, x, y, height)
        %(<g transform="translate(#{x} #{y})">#{@shown.whole(variant).inside}<text y="#{height + 19}" fill="#161616"><tspan font-weight="600">#{text(variant.name)}</tspan> #{variant.ground.hex}, #{text(variant.in_words)}</text></g>)
      end

      def text(words) = CGI.escapeHTML(Magpie::Text.xml(words))
    end
  end
end
