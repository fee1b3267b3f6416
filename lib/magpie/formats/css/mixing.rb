module Magpie
  module Formats
    class Css < Format
      # color-mix(), as CSS Color 5 and, of interpolation, CSS Color 4 say: by share, in a
      # space that is named, opacity multiplied in, hues by the shorter way unless said.
      class Mixing
        SPACES = {
          "srgb" => :srgb, "srgb-linear" => :srgb_linear, "display-p3" => :display_p3, "a98-rgb" => :a98_rgb, "prophoto-rgb" => :prophoto_rgb, "rec2020" => :rec2020,
          "lab" => :lab, "oklab" => :oklab, "xyz" => :xyz_d65, "xyz-d65" => :xyz_d65, "xyz-d50" => :xyz_d50, "hsl" => :hsl, "hwb" => :hwb, "lch" => :lch, "oklch" => :oklch
        }.freeze
        HUES = {hsl: 0, hwb: 0, lch: 2, oklch: 2}.freeze
        # Below it a hue says nothing. CSS Color 4, "powerless".
        GREY = {lch: 0.0015, oklch: 0.000004, hsl: 0.001, hwb: 0.001}.freeze
        WAYS = %w[shorter longer increasing decreasing].freeze

        # @param value [Value]
        def initialize(value) = @value = value

        # @param nodes [Array<Hash>] what stands in the brackets
        # @return [Color]
        # @raise [Magpie::Error]
        def mix(nodes)
          parts = Value.split(nodes)
          model, way = method_of(parts)
          raise Error, "color-mix() has #{Text.count(parts.size, "colour")}: expected two" unless parts.size == 2
          colours, shares = parts.map { |part| share(part) }.transpose
          one, two, opacity = shares_of(*shares)
          blend(colours, two / (one + two), model, way, opacity)
        end

        private

        def method_of(parts)
          words = parts.first.to_a.select { |node| node[:node] == :ident }.map { |node| node[:value].downcase }
          return [:oklab, "shorter"] unless words.first == "in" && parts.first.none? { |node| %i[hash function].include?(node[:node]) }
          parts.shift
          model = SPACES[words[1]] or raise Error, "color-mix() in “#{words[1].to_s[0, 20]}”: expected one of #{SPACES.keys.join(", ")}"
          way = words[2] || "shorter"
          raise Error, "color-mix() goes the #{way[0, 20]} way round: expected #{Text.list(WAYS)}" unless WAYS.include?(way)
          [model, way]
        end

        # A colour and, before or behind it, its share.
        def share(part)
          shares, rest = part.reject { |node| node[:node] == :whitespace }.partition { |node| node[:node] == :percentage }
          raise Error, "color-mix() has a share of #{shares[0][:value].to_s[0, 20]} %: expected 0 to 100" if shares.any? && !shares[0][:value].between?(0, 100)
          [@value.colour(rest), shares.first&.[](:value)&.to_f]
        end

        # Where both come to less than everything, the rest is transparent.
        def shares_of(one, two)
          one, two = one || 100 - (two || 50.0), two || 100 - (one || 50.0)
          raise Error, "color-mix() has 0 % of both" if (one + two).zero?
          [one, two, [(one + two) / 100.0, 1.0].min]
        end

        def blend(colours, share, model, way, opacity)
          one, two = colours.map { |colour| colour.in(model) }
          alpha = between(*colours.map(&:alpha), share)
          hue = HUES[model]
          numbers = one.each_index.map do |index|
            next turned(one, two, model, way, share) if index == hue
            next between(one[index], two[index], share) if alpha.zero?
            between(one[index] * colours[0].alpha, two[index] * colours[1].alpha, share) / alpha
          end
          Color.new(model, numbers, alpha * opacity)
        end

        def between(from, to, share) = from + (to - from) * share

        def turned(one, two, model, way, share)
          from, to = [one, two].map { |numbers| numbers[HUES[model]] unless grey?(numbers, model) }
          from, to = from || to || 0, to || from || 0
          turn = (to - from) % 360
          turn -= 360 if (way == "shorter" && turn > 180) || (way == "longer" && turn.between?(0.0000001, 180)) || (way == "decreasing" && turn > 0)
          (from + turn * share) % 360
        end

        def grey?(numbers, model) = ((model == :hwb) ? 100 - numbers[1] - numbers[2] : numbers[1]) <= GREY[model]
      end
    end
  end
end
