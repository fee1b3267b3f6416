module Places
  module Palettes
    # Chips, runs, dots and cells, written without templates and reading each column once,
    # since there may be thousands on a page.
    module Marks
      # What a chip's class says of its colour: which ink shows on it, and whether it needs
      # an edge on a white or nearly black surround.
      SHADES = Frame::Colours::Derived.new do |colour|
        lightness = colour.in(:oklab)[0]
        edge = if lightness > 0.95 then "chip-pale "
        elsif lightness < 0.36 then "chip-deep "
        end
        "#{edge}#{(Magpie::Contrast.ink_on(colour) == :black) ? "on-light" : "on-dark"}"
      end
      # A chip among others of its group, or by itself in a line of the ledger.
      OPTION = %(role="option" aria-selected="false").freeze
      TOGGLE = %(aria-pressed="false").freeze
      # Slots of a run that are shown empty one after the other.
      MOST_EMPTY = 40

      # Everything of a chip that a reader of the screen hears.
      def chip_label(swatch) = "Hold #{swatch.name} #{swatch.hex}#{chip_marks(swatch.shared, swatch.locked, swatch.kind == "spot", swatch.paint)}"

      def chip_marks(shared, locked, spot, paint) = "#{", shared" if shared}#{", locked" if locked}#{", spot" if spot}#{", gradient or pattern" if paint}"

      # @param name [String] of the swatch, escaped
      # @param form [String, nil] the form that it belongs to, where it stands in none: a
      #   browser takes as long for each as there are others that name theirs so
      # @param option [Boolean] whether it stands in a listbox
      def chip(swatch, name = ERB::Util.html_escape(swatch.name), shared = swatch.shared, form: nil, option: true)
        id, hex, code, locked, spot, paint = swatch.id, swatch.hex, swatch.code, swatch.locked, swatch.kind == "spot", swatch.paint
        classes = "chip#{" ringed" if shared}#{" chip-locked" if locked}#{" chip-spot" if spot}#{" chip-paint" if paint} #{SHADES.of(swatch, hex)}"
        title = "#{name} #{hex}#{", #{ERB::Util.html_escape(code)}" if code}#{", locked" if locked}"
        %(<button class="#{classes}"#{%( form="#{form}") if form} name="swatch" value="#{id}" data-chip="#{id}" data-of="#{swatch.group_id}" style="background:#{paint ? swatch.css : "var(--swatch-#{id})"}" #{option ? OPTION : TOGGLE} tabindex="-1" title="#{title}" aria-label="Hold #{name} #{hex}#{chip_marks(shared, locked, spot, paint)}"></button>)
      end

      # With "12 places", "unused" or "loose" below it.
      def chip_cell(swatch)
        name, shared = ERB::Util.html_escape(swatch.name), swatch.shared
        places = shared ? @page.reach_of(swatch.id) : nil
        words = if places.nil? then "loose"
        else
          (places == 0) ? "unused" : count(places, "place")
        end
        %(<div class="chip-cell" data-slot="#{swatch.position}">#{chip(swatch, name, shared)}<b title="#{name}">#{name}</b><span>#{words}</span></div>)
      end

      # The run of a group, its empty slots among the chips.
      # @param chips [Array<Chip>]
      def run(group, chips)
        last = 0
        chips.map do |swatch|
          empty = (last + 1...swatch.position).first(MOST_EMPTY).map { |slot| empty_slot(group, slot) }.join
          last = [swatch.position, last].max
          empty + chip_cell(swatch)
        end.join
      end

      def empty_slot(group, slot)
        %(<div class="chip-cell" data-slot="#{slot}"><button class="slot" role="option" aria-selected="false" tabindex="-1" form="put-here" name="slot" value="#{group.id}:#{slot}" title="Empty. Click to keep what is in hand here"><span class="sr-only">Empty slot #{slot} of #{Rack::Utils.escape_html(group.name)}</span></button></div>)
      end

      # The small curve of lightness beside a run: an SVG of 120 × 70.
      def lightness_curve(swatches)
        return "" if swatches.empty?
        step = (swatches.size > 1) ? 108.0 / (swatches.size - 1) : 0
        points = swatches.each_with_index.map { |swatch, index| [(6 + step * index).round(1), (64 - 58 * Frame::Colours::LIGHTNESSES.of(swatch)).round(1)] }
        dots = (swatches.size > 40) ? "" : swatches.zip(points).map { |swatch, point| curve_dot(swatch, *point) }.join
        %(<svg class="curve" viewBox="0 0 120 70" aria-hidden="true"><polyline points="#{points.map { |point| point.join(",") }.join(" ")}"/>#{dots}</svg>)
      end

      def curve_dot(swatch, x, y) = %(<circle cx="#{x}" cy="#{y}" r="3.4" style="fill:#{swatch.paint ? swatch.hex : swatch.css}"/>)

      # @param dot [Chart::Dot]
      # @param radius [Integer]
      def chart_dot(dot, radius)
        swatch = dot.swatch
        name, label = [swatch.name, chip_label(swatch)].map { |text| Rack::Utils.escape_html(text) }
        circle = %(<circle cx="#{dot.x}" cy="#{dot.y}" r="#{radius}" style="fill:#{swatch.paint ? swatch.hex : swatch.css}"/>)
        fixed = " dot-fixed" if swatch.locked || swatch.paint
        %(<g class="dot#{fixed}" tabindex="-1" role="option" aria-selected="false" data-dot="#{swatch.id}" aria-label="#{label}"><title>#{name} #{swatch.hex}</title>#{circle}#{dot_name(dot, radius) if dot.named}</g>)
      end

      def dot_name(dot, radius)
        left = Chart.leftward?(dot.x)
        %(<text x="#{dot.x + (left ? -1 : 1) * (radius + 3)}" y="#{dot.y + 4}"#{" text-anchor=\"end\"" if left}>#{Rack::Utils.escape_html(dot.swatch.name[0, Chart::NAME])}</text>)
      end

      # @param cell [Grid::Cell]
      # @param small [Boolean] whether there is no room for names
      def grid_cell(cell, small)
        swatch = cell.swatch
        inside = "#{chip(swatch)}#{"<b>#{Rack::Utils.escape_html(swatch.name)}</b>" unless small}" if swatch
        %(<div class="grid-cell#{" grid-empty" unless swatch}" data-across="#{cell.across}" data-down="#{cell.down}" style="grid-area:#{cell.down + 1}/#{cell.across + 1}">#{inside}</div>)
      end
    end
  end
end
