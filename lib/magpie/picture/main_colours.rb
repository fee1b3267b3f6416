module Magpie
  class Picture
    # The few colours that a picture is made of: its own histogram clustered in
    # OKLab, by area yet not blind to a small vivid accent. The same picture always
    # gives the same answer.
    class MainColours
      COUNTS = (2..16)
      # When the number is found by itself.
      FEWEST = 3
      MOST_BY_ITSELF = 12
      CLEARLY = 6.0 # times, as a distance
      LEFT_OVER = 0.03 # root mean square ΔEOK

      # A vivid accent counts as this share of the picture even where it is smaller.
      ACCENT_SHARE = 0.08
      # How far above the picture's mean an accent's chroma lies (OKLCH).
      ACCENT_CHROMA = 0.12
      # Shares between which something is no longer a speck, if it is vivid or not.
      VIVID_SPECK = (0.0006..0.002)
      SPECK = (0.0005..0.0025)

      # Grounds that can be left out, in OKLCH: lightness and chroma.
      NEAR_WHITE = ->(l, c) { l > 0.93 && c < 0.03 }
      NEAR_BLACK = ->(l, c) { l < 0.22 && c < 0.05 }

      # One main colour: `share` 0..1 of the pixels that count; `at` [x, y] of a
      # pixel that really has it, amid others that do.
      MainColour = Struct.new(:colour, :share, :at, keyword_init: true)

      # ΔEOK within which a pixel really has a colour.
      REALLY = 0.02
      # Pixels along the longer side of the map that shows where each colour is.
      MAP = 1200
      NONE = 255
      # Pixels each way that the usual probe covers.
      PROBE = 2
      # ΔEOK of what has no colour to anything that has one.
      FAR = 10.0
      # Of pixels that are as good, the one nearest to the middle: ΔEOK² for each pixel².
      NEARER = 1e-9
      # @param cells [Cells]
      # @param count [Integer, nil] 2 to 16, nil to find the number by itself
      # @param accents [Float] favour for vivid accents, 0..1
      # @param leave_out [Boolean] near-white and near-black grounds are left out
      # @raise [Magpie::Error]
      def initialize(cells, count: nil, accents: 1.0, leave_out: false)
        raise Error, "#{count} main colours: expected 2 to 16" if count && !COUNTS.cover?(count)
        @cells, @count, @accents = cells, count, accents.clamp(0.0, 1.0)
        @counted = leave_out ? without_grounds : (0...cells.shares.size).to_a
        @points = cells.oklab.map { |column| column[@counted].dup }
        @weights = cells.shares[@counted]
        @weights /= @weights.sum
      end

      # @return [Array<MainColour>] largest share first
      def to_a = @to_a ||= centres.each_with_index.map { |centre, i| MainColour.new(colour: Color.new(:oklab, centre).to(:srgb), share: shares[i], at: places[i]) }

      # Where each colour is: a small picture of the numbers of the colours, NONE where
      # there is none.
      # @return [Vips::Image] one band of 8 bits
      def map = @map ||= label(small, membership).copy_memory

      private

      def found
        @found ||= begin
          clusters = Clusters.new(@points, counted)
          centres = clusters.improve(clusters.settle(choose(clusters)))
          nearest = clusters.nearest(centres)
          shares = nearest.bincount(@weights, minlength: centres.size).to_a
          order = centres.each_index.reject { |i| shares[i].zero? }.sort_by { |i| -shares[i] }
          [order.map { |i| centres[i] }, order.map { |i| shares[i] }]
        end
      end

      def centres = found[0]

      def shares = found[1]

      def membership = @membership ||= Clusters.new(@points, @weights).nearest(centres)

      def small = @small ||= Pixels.every(map_step, @cells.index).copy_memory

      def map_step = [@cells.index.width.fdiv(MAP).ceil, @cells.index.height.fdiv(MAP).ceil].max

      # Of each colour a pixel where it lies thickest. What is too small for the map is
      # looked for in the picture itself.
      def places
        @places ||= begin
          real = centres.each_index.map { |number| really(number) }
          found = Thickest.new(labels(small, real), real.size).to_a.map { |at| at&.map { |v| v * map_step } }
          missing = found.each_index.select { |number| found[number].nil? }
          if missing.any?
            labels = labels(@cells.index, real.values_at(*missing))
            missing.each_with_index { |number, own| found[number] = Thickest.of_few(labels.eq(own)) }
          end
          found.each_with_index.map { |at, number| pixel(real[number], centres[number], at) }
        end
      end

      # Of the pixels near a place that really have a colour the one whose surroundings
      # are most like it, so that a probe reads it there; else the one nearest to it.
      def pixel(real, centre, (x, y))
        left, top, crop = near(x, y)
        points = rows[Pixels.numbers(crop).flatten]
        unlike = ((around(oklab[points, true].reshape(crop.height, crop.width, 3)) - Numo::DFloat.cast(centre))**2).sum(axis: 2)
        down, across = [[crop.height, y - top], [crop.width, x - left]].map { |side, middle| (Numo::DFloat.new(side).seq - middle)**2 }
        unlike += (down.expand_dims(1) + across.expand_dims(0)) * NEARER
        has = Numo::UInt8.zeros(@points[0].size + 1)
        has[real] = 1
        unlike[has[points].eq(0).where] = FAR**2
        unlike.min_index.divmod(crop.width).reverse.zip([left, top]).map(&:sum)
      end

      # What of the picture lies in a block and half way into those beside it.
      def near(x, y)
        reach = Thickest::BLOCK * map_step
        left, top = [x, y].map { |at| [at - reach, 0].max }
        [left, top, @cells.index.crop(left, top, [x + reach, @cells.index.width].min - left, [y + reach, @cells.index.height].min - top)]
      end

      # What a probe would read round each pixel.
      def around(colours) = Boxes.sums(colours, PROBE) / Boxes.sums(Numo::DFloat.ones(*colours.shape[0, 2], 1), PROBE)

      # A row for each point, and one more for what has no colour that counts.
      def oklab = @oklab ||= Numo::DFloat.new(@points[0].size + 1, 3).fill(FAR).tap { |rows| @points.each_with_index { |column, axis| rows[0...-1, axis] = column } }

      # The row that each number of the lattice has there.
      def rows
        @rows ||= Numo::Int32.new(Lattice::NOWHERE + 1).fill(@points[0].size).tap { |rows| rows[@cells.numbers[@counted]] = Numo::Int32.new(@points[0].size).seq }
      end

      # Which points are of a colour, or else the one that is nearest to it.
      def really(number)
        members = membership.eq(number).where
        away = away(members, centres[number])
        near = members[(away < REALLY).where]
        near.empty? ? members[[away.min_index]] : near
      end

      # The number of each pixel's colour among those whose points are given.
      def labels(index, members)
        numbers = Numo::UInt8.new(@points[0].size).fill(NONE)
        members.each_with_index { |points, number| numbers[points] = number }
        Numo::UInt8.from_binary(label(index, numbers).write_to_memory).reshape(index.height, index.width)
      end

      def away(members, centre)
        Numo::NMath.sqrt(@points.zip(centre).sum { |column, value| (column[members] - value)**2 })
      end

      # Looks each pixel's cell up: the number that goes with the cell, NONE otherwise.
      def label(index, values)
        table = Numo::UInt8.new(Lattice::NOWHERE + 1).fill(NONE)
        table[@cells.numbers[@counted]] = values
        index.maplut(::Vips::Image.new_from_memory_copy(table.to_binary, table.size, 1, 1, :uchar))
      end

      def without_grounds
        l, a, b = @cells.oklab
        chroma = Numo::NMath.hypot(a, b)
        kept = l.to_a.zip(chroma.to_a).each_index.reject { |i| NEAR_WHITE.call(l[i], chroma[i]) || NEAR_BLACK.call(l[i], chroma[i]) }
        raise Error, "the picture is near white or near black everywhere: nothing else is left" if kept.empty?
        kept
      end

      # Merges the fine clusters until the number is reached.
      def choose(clusters)
        fine = clusters.fine
        steps = {}
        clusters.merge(fine) { |centres, cost| steps[centres.size] = [centres, cost] }
        steps.fetch(@count || by_itself(steps)) { steps[steps.keys.max] }.first
      end

      # A flat drawing has a clear number: one merge more costs many times the last.
      # Elsewhere as few as leave no more than hardly seen error.
      def by_itself(steps)
        costs = steps.transform_values(&:last)
        clear = (2..MOST_BY_ITSELF).select { |count| costs[count + 1] && costs[count] > CLEARLY**2 * costs[count + 1] }
        return clear.max_by { |count| costs[count] / costs[count + 1] } if clear.any?
        error = 0.0
        fewest = costs.keys.max
        fewest -= 1 while fewest > FEWEST && (error += costs[fewest]) <= LEFT_OVER**2
        [fewest, MOST_BY_ITSELF].min
      end

      # What each point weighs: its share, specks less, vivid accents more.
      def counted
        clusters = Clusters.new(@points, @weights)
        nearest = clusters.nearest(clusters.fine)
        shares = nearest.bincount(@weights, minlength: clusters.fine.size)
        chroma = clusters.fine.map { |_, a, b| Math.hypot(a, b) }
        mean = chroma.zip(shares.to_a).sum { |c, share| c * share }
        factors = chroma.zip(shares.to_a).map { |c, share| factor(share, (c - mean) / ACCENT_CHROMA) }
        @weights * Numo::DFloat.cast(factors)[nearest]
      end

      def factor(share, vividness)
        return 0.0 if share.zero?
        vividness = vividness.clamp(0, 1)
        missing = [ACCENT_SHARE / share - 1, 0].max
        [beyond(SPECK, share), SPECK.begin].max + @accents * missing * vividness * beyond(VIVID_SPECK, share)
      end

      def beyond(range, share) = ((share - range.begin) / (range.end - range.begin)).clamp(0.0, 1.0)
    end
  end
end
