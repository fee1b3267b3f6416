module Places
  module Dress
    # What is done to a pattern. Its handles say how far it was moved, turned and scaled, about
    # which point of the part.
    class PatternEdit < PaintEdit
      Affine = Magpie::Artwork::Affine

      private

      DOING = {**PaintEdit::DOING, "mirror_across" => :mirror_across, "mirror_down" => :mirror_down}.freeze

      def doing = DOING

      def kind = "pattern"

      def perform(act) = act.start_with?("as_") ? tile(act.delete_prefix("as_")) : super

      # Another one, in the inks that are there.
      def tile(form)
        raise Magpie::Error, "#{form[0, 40].inspect} is no pattern" unless Compound::PATTERNS.include?(form) || @edited.own_tiles.any? { |tile| tile.form == form }
        @paint = @paint.as(form)
      end

      def handles(data)
        about, move = data.values_at("about", "move").map { |pair| pair.first(2).map { |value| Float(value) } }
        lay(about, move:, turn: Float(data.fetch("turn")), scale: Float(data.fetch("scale")))
      end

      def fields
        lay(middle, turn: (@param.exactly(:angle) - @edited.angle) * tiling.handed) if @param.given?(:angle)
        lay(middle, scale: @param.number(:repeat, Compound::SIZE, 0.1..100_000) / @edited.size) if @param.given?(:repeat)
        lay(middle, scale: @param.number(:scale, 100, 1..10_000) / 100 / tiling.scale) if @param.given?(:scale)
        shift(0, :shift_x)
        shift(1, :shift_y)
        fit(@param.text(:fit)) if @param.given?(:fit)
      end

      # @param about [Array<Float>] a point in units of the part, that moves only so far
      def lay(about, move: [0.0, 0.0], turn: 0.0, scale: 1.0)
        by = Affine.moved(about[0] + move[0], about[1] + move[1]) * Affine.turned(turn) * Affine.new(scale, 0.0, 0.0, scale, 0.0, 0.0) * Affine.moved(-about[0], -about[1])
        settle(tiling.moved(by, @edited.frame))
      end

      def shift(axis, name)
        settle(tiling.with(shift: tiling.shift.dup.tap { |both| both[axis] = @param.exactly(name) })) if @param.given?(name)
      end

      # What lies otherwise begins as is usual: a shift in rows is none in the middle.
      def fit(fit) = settle(tiling.with(fit:, **(((fit == "repeat") == !tiling.once?) ? {} : {shift: [0.0, 0.0]})))

      def mirror_across = settle(over("across"))

      def mirror_down = settle(over("down"))

      # About the middle of the part, so that what is seen there stays there.
      def over(axis)
        x, y = tiling.once? ? tiling.shift.dup : middle.zip(tiling.shift).map { |at, shift| shift - at }
        x, y = (axis == "across") ? [-x, y] : [x, -y]
        x, y = [x, y].zip(middle).map { |value, at| value + at } unless tiling.once?
        tiling.mirrored(axis).with(shift: [x, y], turn: Magpie::Artwork::Tiling.round(-tiling.turn))
      end

      def tiling = @laid || Magpie::Artwork::Tiling.new

      def settle(tiling) = @laid = ((tiling == Magpie::Artwork::Tiling.new) ? nil : tiling)

      def middle = Magpie::Artwork::Tiling.middle(@edited.frame)
    end
  end
end
