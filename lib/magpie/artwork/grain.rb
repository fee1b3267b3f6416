module Magpie
  class Artwork
    # Monochrome noise that lies on a fill: grains that darken or lighten it, the same ones
    # always. Noise as a filter (feTurbulence) is one px off between browsers and librsvg; a
    # picture of grains is where it is, and painted in a tenth of the time that shapes take. It
    # stands in a drawing once, and each part has it in its own size and as opaque as is said.
    module Grain
      ID = "#{Identifiers::MARK}grain"
      SIDE = 40 # grains of the tile, each way
      LEVELS = 6 # of darker ones, and of lighter ones
      SEED = 20_261_129
      FILE = File.expand_path("grain.png", __dir__)

      module_function

      # @param settings [Array<Settings>]
      def any?(settings) = settings.any? { |each| each.grain.to_f > 0 }

      # @return [String] SVG, in which there is one grain for each square unit
      def tile = @tile ||= %(<pattern id="#{ID}" width="#{SIDE}" height="#{SIDE}" patternUnits="userSpaceOnUse"><image width="#{SIDE}" height="#{SIDE}" preserveAspectRatio="none" href="data:image/png;base64,#{[File.binread(FILE)].pack("m0")}"/></pattern>)

      # What the picture was made from: four times as large, and of that its green and its opacity.
      # @return [String] SVG
      def drawn = %(<svg xmlns="http://www.w3.org/2000/svg" width="#{SIDE * 4}" height="#{SIDE * 4}" viewBox="0 0 #{SIDE} #{SIDE}">#{grains.sort.map { |level, paths| path(level, paths.join) }.join}</svg>)

      # Mean of three, so that most are near nothing.
      # @return [Hash{Integer => Array<String>}] paths by level: -LEVELS to LEVELS, without 0
      def grains
        random = Random.new(SEED)
        places = (0...SIDE).to_a.product((0...SIDE).to_a)
        places.group_by { ((random.rand + random.rand + random.rand) * 2 / 3 - 1).then { |value| (value * LEVELS).round } }.except(0).transform_values { |some| some.map { |at| grain(at, random) } }
      end

      # Four-cornered, somewhere near its place, of about one unit.
      def grain((y, x), random)
        corners = [[0, -1], [1, 0], [0, 1], [-1, 0]].map { |across, down| [across, down].map { |value| value * (0.45 + random.rand * 0.5) } }
        left, top = x + random.rand, y + random.rand
        "M#{corners.map { |across, down| "#{(left + across).round(1)} #{(top + down).round(1)}" }.join("L")}z"
      end

      def path(level, d) = %(<path d="#{d}" fill="#{level.negative? ? "#000" : "#fff"}" fill-opacity="#{Affine.short(level.abs.fdiv(LEVELS))}"/>)
    end
  end
end
