module Magpie
  module Making
    # Steps between colours, evenly spaced by ΔE00 rather than by a parameter. The way
    # from one to the next is straight in OKLab.
    module Between
      FINE = 64 # points of a stretch that are measured
      ROUNDS = 60
      EVEN = 0.005 # the longest step over the shortest, less one, at which it is even

      module_function

      # @param anchors [Array<Color>] two or more; the first and the last are kept exactly
      # @param steps [Integer] how many colours lie between the first and the last
      # @return [Array<Color>] steps + 2 colours
      # @raise [Magpie::Error]
      def steps(anchors, steps)
        raise Error, "steps need two colours or more to lie between" if anchors.size < 2
        raise Error, "#{steps} steps: expected 0 to 100" unless steps.between?(0, 100)
        path = path(anchors)
        places = even(path, steps + 2)
        inner = places[1..-2].map { |place| at(path, place) }
        [anchors.first, *inner, anchors.last]
      end

      # Evenly by length of the way first; then each step's own ΔE00 decides, since
      # ΔE00 does not add up along a way.
      def even(path, count)
        places = by_length(path, count)
        ROUNDS.times do
          colours = places.map { |place| at(path, place).in(:lab) }
          lengths = colours.each_cons(2).map { |a, b| Difference::Ciede2000.of(a, b) }
          break if lengths.max <= lengths.min * (1 + EVEN) + 1e-9
          places = respaced(places, lengths)
        end
        places
      end

      # Places along a line of given stretches that cut it into equal ones, half of
      # the way there, so that it does not swing.
      def respaced(places, lengths)
        sums = lengths.reduce([0.0]) { |all, length| all << all.last + length }
        target = ->(n) { sums.last * n / lengths.size }
        wanted = (0..lengths.size).map do |n|
          index = (sums.rindex { |sum| sum <= target.call(n) } || 0).clamp(0, lengths.size - 1)
          share = lengths[index].zero? ? 0.0 : (target.call(n) - sums[index]) / lengths[index]
          places[index] + (places[index + 1] - places[index]) * share
        end
        places.zip(wanted).map { |was, now| was + (now - was) * 0.7 }
      end

      def by_length(path, count)
        lengths = path.each_cons(2).map { |a, b| Difference::Ciede2000.of(a.in(:lab), b.in(:lab)) }
        sums = lengths.reduce([0.0]) { |all, length| all << all.last + length }
        (0...count).map do |n|
          target = sums.last * n / (count - 1)
          index = (sums.rindex { |sum| sum <= target } || 0).clamp(0, lengths.size - 1)
          share = lengths[index].zero? ? 0.0 : (target - sums[index]) / lengths[index]
          (index + share.clamp(0.0, 1.0)) / lengths.size
        end
      end

      # @param place [Float] 0..1 along the path
      def at(path, place)
        index, share = (place.clamp(0, 1) * (path.size - 1)).divmod(1)
        return path.last if index >= path.size - 1
        Gamut.to_srgb(Mix.of(path[index], path[index + 1], share))
      end

      def path(anchors)
        anchors.each_cons(2).flat_map { |a, b| (0...FINE).map { |i| Gamut.to_srgb(Mix.of(a, b, i / FINE.to_f)) } } << Gamut.to_srgb(anchors.last)
      end
    end
  end
end
