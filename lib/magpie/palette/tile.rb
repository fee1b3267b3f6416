require "nokogiri"

module Magpie
  class Palette
    # A tile of a pattern, drawn as SVG in one to four inks: where an ink goes it says
    # fill="ink(0)" or stroke="ink(0)"; ink 0 is the ground. Those that ship lie in tiles/,
    # one a file.
    class Tile
      INK = /\b(fill|stroke)="ink\((\d)\)"/
      FOLDER = File.expand_path("tiles", __dir__)

      # @return [Hash{String => Tile}] those that ship, by name, in order
      def self.all = @all ||= Dir.children(FOLDER).sort.to_h { |file| File.basename(file, ".svg").then { |name| [name, new(File.read(File.join(FOLDER, file)))] } }.freeze

      # @return [String]
      attr_reader :title
      # @return [Float] in units of its own
      attr_reader :width, :height
      # @return [Integer] how many inks it has
      attr_reader :inks

      # @param svg [String] of ours
      def initialize(svg)
        @title = svg[/<title>([^<]*)/, 1]
        @width, @height = svg[/viewBox="0 0 ([\d. ]+)"/, 1].split.map(&:to_f)
        @body = svg[/<\/title>\s*(.*)\s*<\/svg>/m, 1].gsub(/>\s+</, "><").strip
        @layers = Nokogiri::XML("<g>#{@body}</g>").root.element_children.map(&:to_xml)
        @inks = @body.scan(INK).map { |_, number| number.to_i }.max + 1
      end

      # What it shows.
      # @yieldparam name [String] of the attribute: "fill" or "stroke"
      # @yieldparam number [Integer] of the ink
      # @yieldreturn [String] attributes, each after a space
      # @return [String] SVG
      def painted(&ink) = layers(&ink).join

      # The same element by element, the lowest first.
      # @return [Array<String>]
      def layers = @layers.map { |layer| layer.gsub(INK) { yield($1, $2.to_i).lstrip } }
    end
  end
end
