module Places
  module Palettes
    # The chart's dots and the grid's cells, of which there may be thousands.
    module Marks
      # @param x, y [Float] within the chart
      # @param radius [Integer]
      # @param named [Boolean] whether its name has room beside it
      def chart_dot(swatch, x, y, radius, named)
        name, label = [swatch.name, chip_label(swatch)].map { |text| Rack::Utils.escape_html(text) }
        circle = %(<circle cx="#{x}" cy="#{y}" r="#{radius}" style="fill:#{swatch.paint ? swatch.hex : swatch.css}"/>)
        fixed = " dot-fixed" if swatch.locked || swatch.paint
        %(<g class="dot#{fixed}" tabindex="0" role="button" data-dot="#{swatch.id}" aria-label="#{label}"><title>#{name} #{swatch.hex}</title>#{circle}#{dot_name(swatch, x, y, radius) if named}</g>)
      end

      def dot_name(swatch, x, y, radius)
        left = leftward?(x)
        %(<text x="#{x + (left ? -1 : 1) * (radius + 3)}" y="#{y + 4}"#{" text-anchor=\"end\"" if left}>#{Rack::Utils.escape_html(swatch.name[0, 18])}</text>)
      end

      # @param small [Boolean] whether there is no room for names
      def grid_cell(swatch, across, down, small)
        %(<div class="grid-cell" data-across="#{across}" data-down="#{down}" style="grid-area:#{down + 1}/#{across + 1}">#{chip(swatch)}#{"<b>#{Rack::Utils.escape_html(swatch.name)}</b>" unless small}</div>)
      end

      def grid_slot(across, down) = %(<div class="grid-cell grid-empty" data-across="#{across}" data-down="#{down}" style="grid-area:#{down + 1}/#{across + 1}"></div>)
    end
  end
end
