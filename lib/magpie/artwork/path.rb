module Magpie
  class Artwork
    # Where a path lies: the smallest upright rectangle around it, without its line
    # (SVG 2, 9.3 for how paths are written; what bends reaches farthest where its
    # derivative is nothing, or at its ends).
    class Path
      # A number, or one of the flags of an arc, which may stand without a space.
      COUNTS = {"M" => 2, "L" => 2, "H" => 1, "V" => 1, "C" => 6, "S" => 4, "Q" => 4, "T" => 2, "A" => 7, "Z" => 0}.freeze
      PIECE = /([MmZzLlHhVvCcSsQqTtAa])([^MmZzLlHhVvCcSsQqTtAa]*)/
      ARC = /(#{Geometry::NUMBER})[\s,]*(#{Geometry::NUMBER})[\s,]*(#{Geometry::NUMBER})[\s,]*([01])[\s,]*([01])[\s,]*(#{Geometry::NUMBER})[\s,]*(#{Geometry::NUMBER})/

      # @param text [String] the d of a path
      # @return [Array<Float>, nil] left, top, width, height; nil where it draws nothing
      def self.box(text) = new.tap { |path| path.read(text) }.box

      # Where an open path begins and ends, and which way it goes there.
      # @return [Array(Array, Array), nil] two of [point, direction], both pointing out of it; nil
      #   where it is closed, or draws nothing
      def self.ends(text) = new.tap { |path| path.read(text) }.ends

      # Does every piece of it return to where it began?
      def self.closed?(text) = new.tap { |path| path.read(text) }.then { |path| !path.box.nil? && !path.open? }

      def initialize
        @xs, @ys, @ways = [], [], []
        @at, @start, @control, @before = [0.0, 0.0], [0.0, 0.0], nil, nil
      end

      def read(text)
        text.scan(PIECE) do |letter, numbers|
          command = letter.upcase
          rows(command, numbers).each_with_index { |row, index| draw((command == "M" && index > 0) ? "L" : command, row, letter != command) }
        end
      end

      def box
        return if @xs.empty?
        (left, right), (top, bottom) = @xs.minmax, @ys.minmax
        [left, top, right - left, bottom - top]
      end

      def ends
        first, last = @ways.first, @ways.last
        return if @ways.empty? || @closed || @returned
        [[first[0], first[1].map(&:-@)], [last[2], last[3]]]
      end

      # Does some piece of it end elsewhere than where it began?
      def open? = !!@left || (!@returned && @ways.any?)

      private

      # A way from a point to another, and which way it goes at each; of no length it goes none.
      def way(points)
        steps = points.each_cons(2).map { |one, two| [two[0] - one[0], two[1] - one[1]] }.reject { |x, y| Math.hypot(x, y) < 1e-9 }
        @ways << [points.first, steps.first, points.last, steps.last] if steps.any?
      end

      def rows(command, text)
        return [[]] if command == "Z"
        return text.scan(ARC).map { |row| row.map(&:to_f) } if command == "A"
        text.scan(Geometry::NUMBER).map(&:to_f).each_slice(COUNTS[command]).select { |row| row.size == COUNTS[command] }
      end

      # @param row [Array<Float>] the numbers of one piece
      # @param relative [Boolean] to where the pen is
      def draw(command, row, relative)
        x, y = @at
        from = relative ? @at : [0.0, 0.0]
        case command
        when "Z" then close
        when "H" then line([row[0] + from[0], y])
        when "V" then line([x, row[0] + from[1]])
        when "A" then arc(row, from)
        else curve(command, row.each_slice(2).map { |point| [point[0] + from[0], point[1] + from[1]] })
        end
        @before = command
      end

      def curve(command, points)
        case command
        when "M" then move(points[0])
        when "L" then line(points[0])
        when "C" then bend(points, points[1])
        when "S" then bend([mirrored("CS"), *points], points[0])
        when "Q" then quadratic(points[0], points[1])
        when "T" then quadratic(mirrored("QT"), points[0])
        end
      end

      # A control point that goes on where the one before left off.
      def mirrored(commands)
        return @at unless @control && commands.include?(@before)
        [2 * @at[0] - @control[0], 2 * @at[1] - @control[1]]
      end

      # A piece that was not closed is left.
      def move(to)
        @left = true if @ways.any? && !@returned
        @closed = true if @returned
        @returned = false
        @at = @start = to
      end

      def close
        @at = @start
        @returned = true
      end

      def line(to, points = [@at, to])
        way(points)
        note(@at)
        note(@at = to)
      end

      def note((x, y))
        @xs << x
        @ys << y
      end

      # @param points [Array] two control points and the end of a cubic curve
      def bend(points, control)
        all = [@at, *points]
        [[0, @xs], [1, @ys]].each do |axis, found|
          p0, p1, p2, p3 = all.map { |point| point[axis] }
          turns(p3 - 3 * p2 + 3 * p1 - p0, 2 * (p2 - 2 * p1 + p0), p1 - p0).each do |t|
            u = 1 - t
            found << u**3 * p0 + 3 * u * u * t * p1 + 3 * u * t * t * p2 + t**3 * p3
          end
        end
        line(points[2], all)
        @control = control
      end

      def quadratic(control, to)
        raised = [@at, to].map { |point| [0, 1].map { |axis| point[axis] + (control[axis] - point[axis]) * 2 / 3.0 } }
        bend([*raised, to], control)
      end

      # Where a t² + b t + c is nothing, between the ends.
      def turns(a, b, c)
        return (b.abs < 1e-12) ? [] : [-c / b].select { |t| t.between?(0, 1) } if a.abs < 1e-12
        root = b * b - 4 * a * c
        (root < 0) ? [] : [1, -1].map { |sign| (-b + sign * Math.sqrt(root)) / (2 * a) }.select { |t| t.between?(0, 1) }
      end

      # From the ends to the middle, as in SVG 2, B.2.4.
      def arc((rx, ry, turn, large, sweep, x, y), from)
        to = [x + from[0], y + from[1]]
        rx, ry = rx.abs, ry.abs
        return line(to) if rx.zero? || ry.zero? || to == @at
        spin = Affine.turned(turn)
        one, two = spin.inverse.point((@at[0] - to[0]) / 2, (@at[1] - to[1]) / 2)
        larger = Math.sqrt([one**2 / rx**2 + two**2 / ry**2, 1].max) # too small to reach: as small as may be
        rx, ry = rx * larger, ry * larger
        far = rx**2 * two**2 + ry**2 * one**2
        share = Math.sqrt([(rx**2 * ry**2 - far) / far, 0].max) * ((large == sweep) ? -1 : 1)
        middle = [share * rx * two / ry, -share * ry * one / rx]
        centre = spin.point(*middle).zip(@at, to).map { |value, here, there| value + (here + there) / 2 }
        begun, done = [[(one - middle[0]) / rx, (two - middle[1]) / ry], [(-one - middle[0]) / rx, (-two - middle[1]) / ry]]
        swept(centre, [rx, ry], turn, begun, done, sweep)
        along = [begun, done].map { |x, y| spin.point(*(sweep.zero? ? [y * rx, -x * ry] : [-y * rx, x * ry])) }
        line(to, [@at, [@at[0] + along[0][0], @at[1] + along[0][1]], [to[0] - along[1][0], to[1] - along[1][1]], to])
      end

      # @param begun, done [Array<Float>] where it begins and ends, on the unit circle
      def swept(centre, (rx, ry), turn, begun, done, sweep)
        start = Math.atan2(begun[1], begun[0])
        length = (Math.atan2(done[1], done[0]) - start) % (2 * Math::PI)
        start, length = start + length, 2 * Math::PI - length if sweep.zero?
        cos, sin = Math.cos(turn * Math::PI / 180), Math.sin(turn * Math::PI / 180)
        tops = [Math.atan2(-ry * sin, rx * cos), Math.atan2(ry * cos, rx * sin)].flat_map { |angle| [angle, angle + Math::PI] }
        tops.select { |angle| (angle - start) % (2 * Math::PI) <= length }.each do |angle|
          across, down = rx * Math.cos(angle), ry * Math.sin(angle)
          note([centre[0] + across * cos - down * sin, centre[1] + across * sin + down * cos])
        end
      end
    end
  end
end
