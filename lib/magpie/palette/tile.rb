require "cgi"
require "nokogiri"

module Magpie
  class Palette
    # A tile of a pattern, drawn as SVG in some inks: where an ink goes it says fill="ink(0)",
    # stroke="ink(0)" or stop-color="ink(0)", and behind that how opaque it is there. Those that
    # ship lie in tiles/, one a file, have one to four inks, and ink 0 is the ground. Those that
    # somebody brought in have up to MOST, or none where they are a picture.
    class Tile
      INK = /\b(fill|stroke|stop-color)="ink\((\d+)\)"(?: (?:fill|stroke|stop)-opacity="([\d.]+)")?/
      FOLDER = File.expand_path("tiles", __dir__)
      OWN = "own_" # what the form begins with of one that was brought in
      MOST = 12

      # @return [Hash{String => Tile}] those that ship, by name, in order
      def self.all = @all ||= Dir.children(FOLDER).sort.to_h { |file| File.basename(file, ".svg").then { |name| [name, new(File.read(File.join(FOLDER, file)))] } }.freeze

      class << self
        # @return [#call, nil] finds one that was brought in, by its form
        attr_accessor :source
      end

      # @param form [String]
      # @return [Tile, nil]
      def self.find(form) = all[form] || (source&.call(form) if form.to_s.start_with?(OWN))

      # @return [String]
      attr_reader :title
      # @return [Float] in units of its own
      attr_reader :width, :height
      # @return [Integer] how many inks it has
      attr_reader :inks

      # @return [Array<Color>] what its inks are where nothing else is said; of a picture the one
      #   that stands for it
      attr_reader :colours

      # @param svg [String] of ours
      def initialize(svg)
        @title = CGI.unescapeHTML(svg[/<title>([^<]*)/, 1])
        @colours = svg[/ data-colours="([^"]*)"/, 1].to_s.split.map { |text| Notation.parse(text) }
        @width, @height = svg[/viewBox="0 0 ([\d. ]+)"/, 1].split.map(&:to_f)
        @body = svg[/<\/title>\s*(.*)\s*<\/svg>/m, 1].gsub(/>\s+</, "><").strip
        @layers = Nokogiri::XML("<g>#{@body}</g>").root.element_children.map(&:to_xml)
        @inks = (@body.scan(INK).map { |_, number, _| number.to_i }.max || -1) + 1
        @picture = @body[/\A<image href="data:([^;]+);base64,([^"]+)"/] && [$1, $2]
      end

      # Was it brought in?
      def own? = colours.any?

      # @return [[String, String], nil] media type and bytes, in Base64, where it is a picture
      attr_reader :picture

      # What it shows, element by element, the lowest first.
      # @yieldparam name [String] of the attribute: "fill", "stroke" or "stop-color"
      # @yieldparam number [Integer] of the ink
      # @yieldparam share [Float] how opaque it is there
      # @yieldreturn [String] attributes, each after a space
      # @return [Array<String>] SVG
      def layers = @layers.map { |layer| layer.gsub(INK) { yield($1, $2.to_i, ($3 || 1).to_f).lstrip } }
    end
  end
end
