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
      # Pixels of a block, and blocks that count as round it (standard deviation).
      BLOCK = 4
      AROUND = 8

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
      def to_a = @to_a ||= centres.each_with_index.map { |centre, i| MainColour.new(colour: Color.new(:oklab, centre).to(:srgb), share: shares[i], at: place(i)) }

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

      def small = @small ||= @cells.index.subsample(map_step, map_step).copy_memory

      def map_step = [@cells.index.width.fdiv(MAP).ceil, @cells.index.height.fdiv(MAP).ceil].max

      # The middle of where a colour lies thickest. What is too small for the map is
      # looked for in the picture itself.
      def place(number)
        members = membership.eq(number).where
        real = members[(away(members, centres[number]) < REALLY).where]
        real = members[[away(members, centres[number]).min_index]] if real.empty?
        found = thickest(small, real)
        found ? found.map { |v| v * map_step } : thickest(@cells.index, real)
      end

      def away(members, centre)
        Numo::NMath.sqrt(@points.zip(centre).sum { |column, value| (column[members] - value)**2 })
      end

      # Coarsely first: the block with most of them round it, then a pixel in it.
      def thickest(index, members)
        mask = label(index, Numo::Int32.zeros(members.size), members) == 0
        wide, high = [mask.width, mask.height].map { |side| (side + BLOCK - 1) / BLOCK * BLOCK }
        blocks = (mask.embed(0, 0, wide, high) / 255.0).shrink(BLOCK, BLOCK)
        around = Pixels.numbers((blocks.gaussblur(AROUND, precision: :float) * (blocks > 0)).cast(:double))
        return if around.max <= 0
        left, top = [around.max_index % blocks.width, around.max_index / blocks.width].map { |v| [v * BLOCK - BLOCK, 0].max }
        near = mask.crop(left, top, [BLOCK * 3, mask.width - left].min, [BLOCK * 3, mask.height - top].min) / 255.0
        best = Pixels.numbers((near.gaussblur(1.5, precision: :float) * near).cast(:double)).max_index
        [left + best % near.width, top + best / near.width]
      end

      # Looks each pixel's cell up: the number that goes with the cell, NONE otherwise.
      def label(index, values, members = true)
        table = Numo::UInt8.new(Lattice::NOWHERE + 1).fill(NONE)
        table[@cells.numbers[@counted][members]] = values
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
