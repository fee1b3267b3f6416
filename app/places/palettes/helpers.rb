module Places
  module Palettes
    # What Palettes shows.
    module Helpers
      # What is done with a selection in the side panel.
      TASKS = %w[share change ramp rename move text remove blend order].freeze
      # What a chip's class says of its colour: which ink shows on it, and whether it needs
      # an edge on a white or nearly black surround.
      SHADES = Frame::Colours::Derived.new do |colour|
        lightness = colour.in(:oklab)[0]
        edge = if lightness > 0.95 then "chip-pale "
        elsif lightness < 0.36 then "chip-deep "
        end
        "#{edge}#{(Magpie::Contrast.ink_on(colour) == :black) ? "on-light" : "on-dark"}"
      end
      # A chip's places are told below it only where there is room.
      NARROW = 60

      # Swatches by ids, in the order of the palette.
      def swatches_of(ids)
        Swatch.where(id: ids).includes(group: :palette).to_a.sort_by { |each| [each.group.palette_id, each.group.position, each.group_id, each.position, each.id] }
      end

      def reach_of_shown = @reach_of_shown ||= following_shown.group("follows.swatch_id").count

      # {palette id => number of artworks in which it is followed}
      def artworks_of_shown = @artworks_of_shown ||= following_shown.group("groups.palette_id").distinct.count(:artwork_id)

      def following_shown = Place.standing.joins(swatch: :group).where(groups: {palette_id: shown_palettes.map(&:id)})

      # Everything of a chip that a reader of the screen hears.
      def chip_label(swatch) = "Hold #{swatch.name} #{swatch.hex}#{chip_marks(swatch.shared, swatch.locked, swatch.kind == "spot", swatch.paint)}"

      def chip_marks(shared, locked, spot, paint) = "#{", shared" if shared}#{", locked" if locked}#{", spot" if spot}#{", gradient or pattern" if paint}"

      # A chip, written without a template and reading each column once, since there may be
      # thousands on a page.
      # @param name [String] of the swatch, escaped
      def chip(swatch, name = ERB::Util.html_escape(swatch.name), shared = swatch.shared)
        id, hex, code, locked, spot, paint = swatch.id, swatch.hex, swatch.code, swatch.locked, swatch.kind == "spot", swatch.paint
        classes = "chip#{" ringed" if shared}#{" chip-locked" if locked}#{" chip-spot" if spot}#{" chip-paint" if paint} #{SHADES.of(swatch, hex)}"
        title = "#{name} #{hex}#{", #{ERB::Util.html_escape(code)}" if code}#{", locked" if locked}"
        %(<button class="#{classes}" form="hold" name="swatch" value="#{id}" data-chip="#{id}" data-of="#{swatch.group_id}" style="background:#{paint ? swatch.css : "var(--swatch-#{id})"}" aria-pressed="false" title="#{title}" aria-label="Hold #{name} #{hex}#{chip_marks(shared, locked, spot, paint)}"></button>)
      end

      # With "12 places", "unused" or "loose" below it.
      def chip_cell(swatch)
        name, shared = ERB::Util.html_escape(swatch.name), swatch.shared
        places = shared ? reach_of_shown.fetch(swatch.id, 0) : nil
        words = if places.nil? then "loose"
        else
          (places == 0) ? "unused" : count(places, "place")
        end
        %(<div class="chip-cell" data-slot="#{swatch.position}">#{chip(swatch, name, shared)}<b title="#{name}">#{name}</b><span>#{words}</span></div>)
      end

      # The run of a group, its empty slots among the chips.
      def run(group)
        last = 0
        chips[group.id].map do |swatch|
          empty = (last + 1...swatch.position).first(40).map { |slot| empty_slot(group, slot) }.join
          last = [swatch.position, last].max
          empty + chip_cell(swatch)
        end.join
      end

      def empty_slot(group, slot)
        %(<div class="chip-cell" data-slot="#{slot}"><button class="slot" form="put-here" name="slot" value="#{group.id}:#{slot}" title="Empty. Click to keep what is in hand here"><span class="sr-only">Empty slot #{slot} of #{Rack::Utils.escape_html(group.name)}</span></button></div>)
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

      # The names that have room beside their dots, of [[swatch, x, y]]: earlier ones first.
      def names_with_room(dots)
        taken = dots.map { |_, x, y| [x - 9, y - 9, x + 9, y + 9] }
        dots.select do |swatch, x, y|
          wide = 12 + 6 * swatch.name[0, 18].size
          box = [leftward?(x) ? x - wide : x + 10, y - 7, leftward?(x) ? x - 10 : x + wide, y + 7]
          free = taken.none? { |left, top, right, bottom| left < box[2] && right > box[0] && top < box[3] && bottom > box[1] }
          taken << box if free
          free
        end.map(&:first)
      end

      # Whether a dot's name stands to its left, since the chart's edge is near.
      def leftward?(x) = x > 300

      # Swatches of a ledger in the order that was chosen.
      def sorted(swatches)
        key = choices[:sort]
        return swatches if key == "order"
        return swatches.sort_by.with_index { |swatch, index| [swatch.kind, index] } if key == "kind"
        Magpie::Palette::Order.by(swatches, key, uses: swatches.to_h { |swatch| [swatch, reach_of_shown.fetch(swatch.id, 0)] })
      end

      # Numbers of several colours, each filled up to its column, so that they stand below
      # one another: "0 59 62  5" above "83 79  0 53".
      # @param texts [Array<String>] as many numbers in each
      def lined_up(texts)
        rows = texts.map(&:split)
        widths = rows.max_by(&:size).to_a.each_index.map { |column| rows.map { |row| row[column].to_s.size }.max }
        rows.map { |row| row.zip(widths).map { |number, width| number.rjust(width) }.join(" ") }
      end

      # The palette that the side panel is about.
      def palette_at_side
        shown_palettes.find { |each| each.id == number(params[:palette]) } || (@swatch && shown_palettes.find { |each| each.id == @swatch.group.palette_id }) || shown_palettes.first
      end

      # The shift that the address asks for.
      # @raise [Magpie::Error]
      def shift
        given = Magpie::Palette::Shift::RANGES.keys.to_h { |name| [name, Float(params[name].to_s, exception: false) || 0.0] }
        Magpie::Palette::Shift.new(**given)
      end

      # What a shift is about: the selection, or a palette.
      def shifted_swatches
        return swatches_of(choices.selected) if params[:scope] == "selection"
        swatches_of(chips_in(palette_at_side || raise(ActiveRecord::RecordNotFound)).map(&:id))
      end

      # What a shift makes of those that can be given a value.
      # @return [Hash{Swatch => Magpie::Color}]
      def shifted(shift) = Following::Plan.new(shifted_swatches).free.to_h { |each| [each, shift.of(each.colour)] }

      def folded?(palette) = choices[:folded].split(",").include?(palette.id.to_s)

      # The page of Palettes with other parameters, of those that say what is shown.
      def palettes_at(**changed)
        shown = {swatch: params[:swatch], open: params[:open].presence, side: params[:side]}
        at("palettes", **shown, **changed)
      end

      # Who reaches what: [[artwork, places]] of several swatches, and the number of all.
      def reached_by(swatches, most = 6) = reached(swatches.map(&:id), most)

      # Notations of several swatches, a line each.
      def as_text(swatches, model) = swatches.map { |swatch| "#{swatch.name}\t#{Magpie::Notation.write(swatch.colour, model)}" }.join("\n")

      # What an item of health is about; equal names are told apart by their groups.
      def health_names(item)
        return item.subject.name if item.subject.is_a?(Group)
        names = item.swatches.map { |each| each.is_a?(Swatch) ? each.name : each.hex }
        names = item.swatches.map { |each| "#{each.name} in #{each.group.name}" } if item.swatches.all?(Swatch) && names.uniq!
        names.join(" and ")
      end

      # Why there is no button that mends it.
      def no_remedy(check, item)
        return "No lightness of the second is enough. Change its hue in Mix." unless check.key == "contrast"
        item.subject ? "No lightness of the text is enough on this ground. Change the ground." : "The text follows no swatch. Link it on Dress first."
      end

      # What a swatch that was not found anywhere is made of.
      def made_of(swatch)
        return "tint, #{Magpie::Notation::Forms.short(swatch.tint, 1)} %" if swatch.tint_of_id
        swatch.paint ? Magpie::Palette::Compound::FORMS[swatch.paint.form].downcase : ""
      end

      # What lies now at the place where a find was read.
      # @return [Magpie::Color, nil] none where there is no colour any more
      def read_again(found)
        Changes::Reading.columns(found.readable, Aim.of_find(found)).fetch((found.chosen == "most_common") ? :most_common : :average)
      rescue Magpie::Error
        nil
      end

      # When something was changed, as the history says it.
      def when_of(change) = change.created_at.strftime("%-d %b %Y, %H:%M")
    end
  end
end
