module Magpie
  class Picture
    # Weighted points in OKLab gathered into clusters: many fine ones first, merged
    # pairwise (Ward: the pair whose union costs least in squared distance), then
    # settled. No chance is involved.
    class Clusters
      FINE = 48
      SETTLING = 40
      CLOSE = 0.01 # ΔEOK
      STILL = 1e-4 # ΔEOK, far below what is seen

      # @param points [Array<Numo::DFloat>] three columns
      # @param weights [Numo::DFloat]
      def initialize(points, weights)
        @points = Numo::DFloat.zeros(weights.size, 3)
        points.each_with_index { |column, axis| @points[true, axis] = column } # vstack misreads views
        @weights = weights
      end

      # @return [Array<Array<Float>>] up to FINE centres
      def fine = @fine ||= settle(spread_out, 4)

      # Merges down to one, cheapest first.
      # @param centres [Array<Array<Float>>]
      # @yield [centres, cost] what there is before each merge, and what it costs
      def merge(centres)
        clusters = centres.zip(weights(centres))
        while clusters.size > 1
          one, two = clusters.combination(2).min_by { |a, b| cost(a, b) }
          yield clusters.map(&:first), cost(one, two)
          clusters -= [one, two]
          clusters << union(one, two)
        end
        yield clusters.map(&:first), Float::INFINITY
      end

      # Moves each centre to the median of what is nearest to it (Weiszfeld's
      # iteration), so that the mean difference is least and outliers pull little.
      def settle(centres, times = SETTLING)
        times.times do
          nearest = nearest(centres)
          before, centres = centres, middles(centres, nearest, @weights / away(centres, nearest))
          break if before.flatten.zip(centres.flatten).all? { |one, two| (one - two).abs < STILL }
        end
        centres
      end

      # Where two clusters are better as one and another better as two, says so, as
      # long as that lowers the error. Makes the outcome hang less on where it began.
      def improve(centres, rounds = 6)
        error = error(centres).sum
        rounds.times do
          better = settle(regrouped(centres), SETTLING / 2)
          now = error(better).sum
          return centres unless now < error * 0.99
          centres, error = better, now
        end
        centres
      end

      # @return [Numo::Int32] which centre each point is nearest to
      def nearest(centres)
        middles = Numo::DFloat.cast(centres)
        # |p − c|² without |p|², which is the same for every centre.
        far = (middles**2).sum(axis: 1) - 2 * @points.dot(middles.transpose)
        far.min_index(axis: 1) - Numo::Int32.new(far.shape[0]).seq * centres.size
      end

      private

      # Greedy: the next centre is the point that adds most to the error.
      def spread_out
        centres = [@points[@weights.max_index, true].to_a]
        error = distance(centres.first)
        while centres.size < FINE
          worst = (error * @weights).max_index
          break if error[worst] < 1e-6
          centres << @points[worst, true].to_a
          closer = distance(centres.last)
          error = Bulk.choose(closer < error, closer, error)
        end
        centres
      end

      def distance(centre) = ((@points - Numo::DFloat[centre])**2).sum(axis: 1)

      def weights(centres) = nearest(centres).bincount(@weights, minlength: centres.size).to_a

      # Of each cluster: the weighted distances.
      def error(centres)
        nearest = nearest(centres)
        nearest.bincount(@weights * away(centres, nearest), minlength: centres.size)
      end

      def regrouped(centres)
        return centres if centres.size < 3
        pairs = centres.zip(weights(centres)).each_with_index.to_a.combination(2)
        (one, i), (two, j) = pairs.min_by { |(a, _), (b, _)| cost(a, b) }
        errors = error(centres)
        errors[[i, j]] = 0
        split = errors.max_index
        kept = centres.reject.with_index { |_, index| [i, j, split].include?(index) }
        [*kept, union(one, two).first, *halves(centres, split)]
      end

      # Two centres beside the old one, along the axis in which its points differ most.
      def halves(centres, split)
        members = nearest(centres).eq(split).where
        points, weights = @points[members, true], @weights[members]
        centre = Numo::DFloat.cast(centres[split])
        from = points - centre
        axis = from[((from**2).sum(axis: 1) * weights).max_index, true]
        10.times do # power iteration
          axis = (from * (from.dot(axis) * weights).expand_dims(1)).sum(axis: 0)
          axis /= Numo::NMath.sqrt((axis**2).sum) + 1e-12
        end
        reach = Numo::NMath.sqrt(((from.dot(axis)**2) * weights).sum / weights.sum)
        [(centre - axis * reach).to_a, (centre + axis * reach).to_a]
      end

      # The distance of each point to its centre, not below what is hardly seen.
      def away(centres, nearest)
        own = Numo::DFloat.cast(centres)[nearest, true]
        Numo::NMath.sqrt(((@points - own)**2).sum(axis: 1) + CLOSE**2)
      end

      def middles(centres, nearest, weights)
        sums = [weights, *(0..2).map { |axis| weights * @points[true, axis] }].map { |each| nearest.bincount(each, minlength: centres.size).to_a }
        centres.each_index.map { |i| (sums[0][i] > 0) ? sums.drop(1).map { |sum| sum[i] / sums[0][i] } : centres[i] }
      end

      def cost((one, weight), (two, other))
        weight * other / (weight + other) * one.zip(two).sum { |a, b| (a - b)**2 }
      end

      def union((one, weight), (two, other))
        [one.zip(two).map { |a, b| (a * weight + b * other) / (weight + other) }, weight + other]
      end
    end
  end
end
