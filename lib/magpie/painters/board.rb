require "cgi"

module Magpie
  module Painters
    # A board as a drawing: a piece of material on a ground, trims in a row below it, and what
    # the ground is matched to beside it. All of it is our own writing, so it is safe.
    class Board
      WIDTH, HEIGHT = 560, 470 # user units
      PIECE = [40, 36, 280, 300].freeze # room for it: left, top, width, height
      TRIMS = [40, 352, 280, 76].freeze
      SAMPLE = [356, 36, 168, 118].freeze
      LONGEST = 27 # characters of a line
      FONT = "'Atkinson Hyperlegible Next Variable', 'DejaVu Sans', system-ui"

      # A piece of trim: its colour, its name, and what it is, "braid".
      Trim = Struct.new(:colour, :name, :use)

      # @param ground [Color]
      # @param piece [String] address of its picture
      # @param size [Array<Integer>] width and height of that
      # @param trims [Array<Trim>]
      # @param match [Array(Color, Array<String>), nil] what is noted of the ground, and its lines
      # @param title [String]
      def initialize(ground:, piece:, size:, trims: [], match: nil, title: "")
        @ground, @piece, @size, @trims, @match, @title = ground, piece, size, trims, match, title
      end

      # @param width [Integer, nil] px that it is drawn at; nil fills what it stands in
      # @return [String] SVG
      def svg(width: nil)
        sides = width ? %( width="#{width}" height="#{(width * HEIGHT / WIDTH.to_f).round}") : ""
        %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 #{WIDTH} #{HEIGHT}"#{sides} role="img" font-family="#{FONT}" font-size="12.5"><title>#{text(@title, 200)}</title>#{inside}</svg>)
      end

      # The same without its own frame, to stand in a sheet.
      def inside = %(<rect width="#{WIDTH}" height="#{HEIGHT}" fill="#{@ground.with(alpha: 1).hex}"/>#{piece}#{trims}#{beside})

      private

      def ink = (Contrast.ink_on(@ground) == :black) ? "#000000" : "#FFFFFF"

      # As large as there is room, from the top left.
      def piece
        left, top, width, height = PIECE
        scale = [width / @size[0].to_f, height / @size[1].to_f].min
        %(<image href="#{CGI.escapeHTML(@piece)}" x="#{left}" y="#{top}" width="#{(@size[0] * scale).round(2)}" height="#{(@size[1] * scale).round(2)}" preserveAspectRatio="none"/>)
      end

      def trims
        return "" if @trims.empty?
        left, top, width, height = TRIMS
        each = width / @trims.size.to_f
        @trims.each_with_index.map { |trim, index| %(<rect x="#{(left + index * each).round(2)}" y="#{top}" width="#{each.round(2)}" height="#{height}" fill="#{trim.colour.with(alpha: 1).hex}"/>) }.join
      end

      def beside
        left, top, width, height = SAMPLE
        made, y = [], top + 16
        if @match
          made << %(<rect x="#{left}" y="#{top}" width="#{width}" height="#{height}" fill="#{@match[0].hex}" stroke="#FFFFFF" stroke-width="2"/>)
          y = top + height + 18
          @match[1].each_with_index { |line, index| made << line(line, left, y + index * 17, bold: index.zero?) }
          y += @match[1].size * 17 + 18
        end
        made << line("Trims", left, y) if @trims.any?
        @trims.each_with_index { |trim, index| made << named(trim, left, y + (index + 1) * 17) }
        made.join
      end

      def line(words, x, y, bold: false) = %(<text x="#{x}" y="#{y}" fill="#{ink}"#{' font-weight="600"' if bold}>#{text(words)}</text>)

      def named(trim, x, y) = %(<text x="#{x}" y="#{y}" fill="#{ink}"><tspan font-weight="600">#{text(trim.name, LONGEST - trim.use.to_s.size.clamp(0, 12))}</tspan> #{text(trim.use.to_s, 12)}</text>)

      def text(words, longest = LONGEST) = CGI.escapeHTML(Text.xml((words.size > longest) ? "#{words[0, longest - 1]}…" : words))
    end
  end
end
