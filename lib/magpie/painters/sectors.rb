module Magpie
  module Painters
    # A gradient around a point as sectors, since SVG has none that turns. Each has one
    # colour, no farther from the next than the eye tells. Opaque ones reach far under the next,
    # so that nothing shines through between them, and none is thin; others lie side by side,
    # without smoothing.
    class Sectors
      FAR = 100 # units from the middle, see Laid: beyond the part
      NARROWEST, WIDEST = 0.25, 45.0 # degrees of one
      UNDER = 90.0 # degrees by which one lies under those that follow
      NEAR = 1.0 # ΔE00 from one to the next

      # @!attribute step [Palette::Course::Step] its colour
      # @!attribute from, to [Float] degrees between which it is seen
      # @!attribute between [Array<Integer, nil>] numbers of the inks between which it lies; nil where the turn begins or ends
      # @!attribute places [Array<Float>] its edges on the way from one to the other, 0..1
      Sector = Struct.new(:step, :from, :to, :between, :places)

      # @param compound [Palette::Compound]
      # @param writing [Writing]
      # @param near [Float] ΔE00 from one to the next
      def initialize(compound, writing, near: NEAR)
        @compound, @writing, @near = compound, writing, near
      end

      # @return [String] SVG
      def to_s(id) = %(<pattern id="#{id}">#{paths}</pattern>)

      # @return [String] SVG, the beginning to the right, with the clock
      def paths
        return %(<g shape-rendering="crispEdges">#{sectors.map { |sector| path(sector, sector.from, sector.to) }.join}</g>) unless sectors.all? { |sector| sector.step.colour.opaque? }
        # What ends at the beginning reaches under what begins there.
        path(sectors.last, -UNDER, UNDER, told: false) + sectors.map { |sector| path(sector, sector.from, sector.equal?(sectors.last) ? sector.to : [sector.to + UNDER, 360].min) }.join
      end

      private

      # @return [Array<Sector>]
      def sectors
        @sectors ||= begin
          order = @compound.order
          pieces = order.each_cons(2).map { |from, to| [[from, to], Palette::Course.segment(@compound, from, to)] }
          first, last = pieces.first[1].first, pieces.last[1].last
          found = [Sector.new(first, 0.0, first.offset * 360, [nil, order.first], [0.0, 1.0]), *pieces.flat_map { |inks, steps| within(inks, steps) }, Sector.new(last, last.offset * 360, 360.0, [order.last, nil], [0.0, 1.0])]
          found.select { |sector| sector.to - sector.from > 1e-9 }
        end
      end

      # Between two stops SVG would mix straight; so does this.
      # @param inks [Array<Integer>] the two between which the stops lie
      def within(inks, steps)
        begun, length = steps.first.offset, steps.last.offset - steps.first.offset
        return [] if length <= 0
        steps.each_cons(2).flat_map do |one, two|
          count = count(one, two)
          Array.new(count) do |index|
            offsets = [index, index + 1].map { |each| Making::Mix.between(one.offset, two.offset, each.fdiv(count)) }
            Sector.new(mixed(inks, one, two.equal?(steps.last) ? 1.0 : two.share, two, (index + 0.5) / count), *offsets.map { |offset| offset * 360 }, inks, offsets.map { |offset| (offset - begun) / length })
          end
        end
      end

      def count(one, two)
        width = (two.offset - one.offset) * 360
        apart = Difference.de2000(*[one, two].map { |step| step.colour.with(alpha: 1) }) / @near
        [apart.ceil, ((one.colour.alpha - two.colour.alpha).abs * 200).ceil, (width / WIDEST).ceil].max.clamp(1, [(width / NARROWEST).floor, 1].max)
      end

      # @param until_then [Float] the share of the second ink at the second stop
      def mixed(inks, one, until_then, two, share)
        Palette::Course::Step.new(Making::Mix.between(one.offset, two.offset, share), *inks, Making::Mix.between(one.share, until_then, share), Palette::Course.straight(one.colour, two.colour, share), nil)
      end

      def path(sector, from, to, told: true)
        count = ((to - from) / 90.0).ceil # of corners: a line from one to the next passes far from what is seen
        corners = (0..count).map { |index| corner(from + (to - from) * index / count) }
        %(<path d="M0 0L#{corners.join(" ")}z"#{@writing.step("fill", "fill-opacity", sector.step, @compound)}#{@writing.sector(sector) if told}/>)
      end

      def corner(degrees)
        turn = degrees * Math::PI / 180
        "#{(FAR * Math.cos(turn)).round(3)} #{(FAR * Math.sin(turn)).round(3)}"
      end
    end
  end
end
