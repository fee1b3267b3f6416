require "cgi/escape"

module Magpie
  module Formats
    class Svg < Format
      # Draws one palette as a sheet: a row of chips for each group, names below them.
      class Writer
        CHIP, GAP, MARGIN, ROW = 96, 20, 24, 10 # user units; ROW chips beside each other
        LABEL, CODED = 34, 47 # below a chip, without and with codes
        LONGEST = 16 # characters of a name as it is drawn

        # @param palette [Palette]
        def initialize(palette)
          @palette = palette
          @compounds = palette.swatches.filter_map(&:compound).uniq { |compound| id(compound) }.to_h { |compound| [id(compound), compound] }
          @label = palette.swatches.any?(&:code) ? CODED : LABEL
          @y = MARGIN
        end

        # @return [String]
        def text
          groups = @palette.groups.map { |group| drawn(group) }
          width = 2 * MARGIN + CHIP * ROW
          <<~SVG
            <?xml version="1.0" encoding="UTF-8"?>
            <svg xmlns="#{NAMESPACE}" data-sheet="swatches" width="#{width}" height="#{@y}" viewBox="0 0 #{width} #{@y}" font-family="system-ui" font-size="11">
            <title>#{escaped(@palette.name.to_s)}</title>#{described(@palette.note)}
            #{Inks.new(@compounds)}
            #{groups.join("\n")}
            </svg>
          SVG
        end

        private

        def id(compound) = Painters::Servers.name(compound.referring([]))

        def drawn(group)
          top = @y + 14
          lines = (group.swatches.size / ROW.to_f).ceil
          @y = top + GAP / 2 + lines * (CHIP + @label) + GAP
          chips = group.swatches.each_with_index.map { |swatch, index| chip(swatch, MARGIN + index % ROW * CHIP, top + GAP / 2 + index / ROW * (CHIP + @label)) }
          %(<g><title>#{escaped(group.name.to_s)}</title>#{described(group.note)}<text x="#{MARGIN}" y="#{top}" font-size="14" font-weight="bold" fill="#161616">#{escaped(group.name.to_s)}</text>\n#{chips.join("\n")}</g>)
        end

        def chip(swatch, x, y)
          paint = swatch.compound ? %(fill="url(##{id(swatch.compound)})") : Inks.painted("fill", "fill-opacity", swatch.colour)
          label = [swatch.name, (swatch.colour.hex unless swatch.compound), swatch.code && [swatch.code, swatch.library].compact.join(" ")].compact.each_with_index.map { |line, index| %(<tspan x="#{x + 4}" y="#{y + CHIP + 13 + index * 13}">#{escaped(short(line))}</tspan>) }
          %(<rect x="#{x}" y="#{y}" width="#{CHIP}" height="#{CHIP}" #{paint}><title>#{escaped(swatch.name)}</title>#{described(swatch.note)}</rect><text fill="#161616">#{label.join}</text>)
        end

        def described(note) = note ? "<desc>#{escaped(note)}</desc>" : ""

        def short(text) = (text.size > LONGEST) ? "#{text[0, LONGEST - 1]}…" : text

        def escaped(text) = CGI.escapeHTML(Svg.text(text))
      end
    end
  end
end
