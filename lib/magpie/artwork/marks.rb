module Magpie
  class Artwork
    # Marks where a line begins or ends. All of them are lines themselves, without a fill, so that
    # they are painted as the line is, whatever with. Their units are widths of the line; the line
    # comes from the left and ends at 0, 0.
    module Marks
      # @!attribute title [String]
      # @!attribute path [String] with absolute M and L only
      # @!attribute width [Float] of its own line
      # @!attribute cap, join [String]
      Mark = Struct.new(:title, :path, :width, :cap, :join)

      ALL = {
        "none" => nil,
        "bar" => Mark.new("Bar", "M0 -2.6L0 2.6", 1.0, "butt", "miter"),
        "dot" => Mark.new("Dot", "M0 0L0.01 0", 3.6, "round", "round"),
        "block" => Mark.new("Block", "M0 0L0.01 0", 3.2, "square", "miter"),
        "lozenge" => Mark.new("Lozenge", "M0 0L0.01 0.01", 3.0, "square", "miter"),
        "ring" => Mark.new("Ring", "M#{(0..24).map { |at| (at * Math::PI / 12).then { |turn| format("%.4f %.4f", 1.9 + 1.9 * Math.cos(turn), 1.9 * Math.sin(turn)) } }.join("L")}Z", 1.0, "butt", "round"),
        # Its outline at half its size, as wide as that is high within: it is filled with its line.
        "wedge" => Mark.new("Wedge", "M-1.9 -1L0.6 0L-1.9 1Z", 1.26, "butt", "miter"),
        "hook" => Mark.new("Open wedge", "M-2.6 -2.6L0 0L-2.6 2.6", 1.0, "butt", "miter"),
        "feather" => Mark.new("Feather", "M-2.2 -2.2L0 0L-2.2 2.2M-4.6 -2.2L-2.4 0L-4.6 2.2", 0.8, "round", "round"),
        "cross" => Mark.new("Cross-stitch", "M-1.8 -1.8L1.8 1.8M-1.8 1.8L1.8 -1.8", 1.0, "round", "round")
      }.freeze
      TITLES = ALL.to_h { |name, mark| [name, mark ? mark.title.downcase : "none"] }.freeze

      module_function

      # @param name [String] of ALL
      # @param point, direction [Array<Float>] where the line ends, and which way it goes there
      # @param width [Float] of the line
      # @return [Hash{String => String}] attributes of a path, in the units of the line
      def at(name, (point, direction), width)
        mark = ALL.fetch(name) or return
        far = Math.hypot(*direction)
        axes = Affine.new(*[direction[0], direction[1], -direction[1], direction[0]].map { |value| value / far * width }, *point)
        d = mark.path.gsub(/(-?[\d.]+) (-?[\d.]+)/) { axes.point($1.to_f, $2.to_f).map { |value| Affine.short(value) }.join(" ") }
        {"d" => d, "stroke-width" => Affine.short(mark.width * width), "stroke-linecap" => mark.cap, "stroke-linejoin" => mark.join, "stroke-miterlimit" => "20", "stroke-dasharray" => "none"}
      end
    end
  end
end
