module Magpie
  module Formats
    # A palette made ready for a format that does not carry all that it has: what is done
    # instead, as chosen. Says what it does.
    class Prepared
      STEPS = 2..20
      GRADIENTS = Option.new("gradients", "Gradients", {"ends" => "as their ends", "steps" => "as steps", "middle" => "as the colour in the middle", "out" => "left out"}, "ends")
      COUNT = Option.new("steps", "Steps of a gradient", STEPS, 5)
      PATTERNS = Option.new("patterns", "Patterns", {"out" => "left out", "inks" => "as their inks", "middle" => "as the colour in the middle"}, "out")
      OPACITY = Option.new("opacity", "Opacity", {"over" => "as it looks over a ground", "dropped" => "dropped"}, "over")
      GROUND = Option.new("ground", "Ground", nil, "#FFFFFF")
      SPOTS = Option.new("spots", "Spot inks", {"screen" => "as their screen colours", "out" => "left out"}, "screen")
      OPTIONS = [GRADIENTS, COUNT, PATTERNS, OPACITY, GROUND, SPOTS].freeze

      # @return [Array<Losses::Loss>]
      attr_reader :losses
      # @return [Array<Option>] those that there is something to choose for
      attr_reader :offered

      # @param palette [Palette]
      # @param carries [Array<Symbol>] of Carried::FEATURES
      # @param options [Hash] of OPTIONS
      # @raise [Magpie::Error] where the ground is no colour
      def initialize(palette, carries, options)
        @palette, @options = palette, options
        @lacks = ->(feature) { !carries.include?(feature) }
        @losses, @offered = [], []
      end

      # @return [Palette]
      def palette
        @made ||= begin
          pieces = @palette.groups.each_with_index.map { |group, g| [group, group.swatches.each_with_index.map { |swatch, s| [[g, s], swatch] }] }
          ways = [gradients, patterns, spots, opacity].compact
          ways.empty? ? @palette : Palette::Rearranged.of(@palette, pieces.map { |group, some| [group, some.flat_map { |address, swatch| made(swatch, ways).map { |each| [address, each] } }] })
        end
      end

      private

      def made(swatch, ways) = ways.reduce([swatch]) { |swatches, way| swatches.flat_map { |each| way.call(each) } }

      # @return [Proc, nil] a swatch to those that stand for it
      def gradients
        found = lacking(:gradients) { |swatch| swatch.compound&.gradient? } or return
        how = @options.fetch("gradients")
        @offered << GRADIENTS
        @offered << COUNT if how == "steps"
        lose(:gradients, found, "gradient", "gradients", {"ends" => "goes as its ends", "steps" => "goes as #{@options.fetch("steps")} steps", "middle" => "goes as the colour in its middle", "out" => "is left out"}[how], GRADIENTS)
        ->(swatch) { swatch.compound&.gradient? ? gradient(swatch, how) : [swatch] }
      end

      def gradient(swatch, how)
        stops = swatch.compound.inks.values_at(*swatch.compound.order).map(&:shown)
        case how
        when "ends" then numbered(swatch, [stops.first, stops.last])
        when "steps" then numbered(swatch, steps(stops, @options.fetch("steps")))
        when "middle" then [flat(swatch, swatch.compound.colour)]
        else []
        end
      end

      # The ends among them, evenly spaced to the eye.
      def steps(stops, count) = (count == 2) ? [stops.first, stops.last] : Making::Between.steps(stops, count - 2)

      def patterns
        gone = ->(swatch) { swatch.compound && !swatch.compound.gradient? && (@lacks.call(:patterns) || swatch.compound.tile&.own?) } # no format has tiles of somebody's own
        found = @palette.swatches.select(&gone).then { |some| some if some.any? } or return
        how = @options.fetch("patterns")
        @offered << PATTERNS
        lose(:patterns, found, "pattern", "patterns", {"out" => "is left out", "inks" => "goes as its inks", "middle" => "goes as the colour in its middle"}[how], PATTERNS)
        lambda do |swatch|
          next [swatch] unless gone.call(swatch)
          case how
          when "inks" then numbered(swatch, swatch.compound.inks.map(&:shown))
          when "middle" then [flat(swatch, swatch.compound.colour)]
          else []
          end
        end
      end

      def spots
        found = lacking(:spots) { |swatch| swatch.kind == "spot" } or return
        how = @options.fetch("spots")
        @offered << SPOTS
        lose(:spots, found, "spot ink", "spot inks", (how == "out") ? "is left out" : "goes as its screen colour", SPOTS)
        ->(swatch) {
          if swatch.kind == "spot"
            (how == "out") ? [] : [changed(swatch, kind: nil)]
          else
            [swatch]
          end
        }
      end

      # Of swatches with a colour of their own; of a gradient that goes as it is, of its inks.
      def opacity
        found = lacking(:opacity) { |swatch| (swatch.compound ? swatch.compound.inks.map(&:shown) : [swatch.colour]).any? { |colour| !colour.opaque? } } or return
        how = @options.fetch("opacity")
        @offered << OPACITY
        @offered << GROUND if how == "over"
        ground = Notation.parse(@options.fetch("ground")) if how == "over"
        lose(:opacity, found, "opacity", "opacities", ground ? "goes as it looks over #{@options.fetch("ground")}" : "is dropped", OPACITY)
        solid = ->(colour) { (colour.opaque? ? colour : ground&.then { |each| colour.over(each) }) || colour.with(alpha: 1) }
        ->(swatch) { [swatch.compound ? solid_inks(swatch, solid) : changed(swatch, colour: solid.call(swatch.colour))] }
      end

      def solid_inks(swatch, solid)
        compound = swatch.compound
        changed(swatch, compound: compound.with(inks: compound.inks.map { |ink| ink.with(colour: solid.call(ink.shown), opacity: 1.0) }))
      end

      def lacking(feature, &block)
        return unless @lacks.call(feature)
        found = @palette.swatches.select(&block)
        found if found.any?
      end

      def lose(what, found, one, many, words, option)
        said = (found.size == 1 && !found[0].name.empty?) ? "1 #{one}: #{found[0].name} #{words}" : Losses.words(found.size, one, many, words)
        @losses << Losses::Loss.new(what, found.size, said, option.key)
      end

      def numbered(swatch, colours) = colours.each_with_index.map { |colour, index| flat(swatch, colour, "#{swatch.name} #{index + 1}".strip) }

      def flat(swatch, colour, name = swatch.name) = changed(swatch, colour:, name:, compound: nil, definition: nil)

      def changed(swatch, **members) = swatch.dup.tap { |made| members.each { |member, value| made[member] = value } }
    end
  end
end
