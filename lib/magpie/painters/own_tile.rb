require "base64"
require "cgi"

module Magpie
  module Painters
    # A tile of a pattern that somebody brings in: a drawing, whose plain colours become inks, the
    # most used first; or a picture, which stays as it is.
    class OwnTile < Svg
      LONGEST = 1024 # px of a picture
      WIDEST = 1000.0 # units of a tile
      LARGEST = 300_000 # characters of a drawing, since it is told with each page that shows it
      QUALITY = 92 # of JPEG

      # @param bytes [String] of an SVG or a picture
      # @param name [String] of the file
      # @return [String] as Palette::Tile reads it
      # @raise [Magpie::Error] what is wrong with the file
      def self.of(bytes, name)
        title = File.basename(name, ".*").tr("_", " ").strip.then { |text| text.empty? ? "Tile" : text[0, 60] }
        return of_picture(Picture.read(bytes, name:), title) if Picture::File.format(bytes)&.then { |format| format.name != "SVG" }
        of_drawing(Artwork.read(bytes, name:), title, name)
      end

      def self.of_picture(picture, title)
        image = picture.within(LONGEST)
        type, file = image.has_alpha? ? ["png", image.pngsave_buffer(strip: true)] : ["jpeg", image.jpegsave_buffer(Q: QUALITY, strip: true)]
        mean = (image.has_alpha? ? image.flatten(background: 255) : image).stats.then { |stats| Array.new(3) { |band| stats.getpoint(4, [band + 1, image.bands].min)[0].round.clamp(0, 255) } }
        write(title, image.width, image.height, [format("#%02X%02X%02X", *mean)], %(<image href="data:image/#{type};base64,#{Base64.strict_encode64(file)}" width="#{image.width}" height="#{image.height}" preserveAspectRatio="none"/>))
      end

      def self.of_drawing(artwork, title, name)
        made = new(artwork)
        raise Error, "#{name} paints nothing that could be repeated" if made.colours.empty?
        body = made.to_s
        raise Error, "#{name} is #{body.size / 1000} kB as a tile: #{LARGEST / 1000} at most. Leave some of it out" if body.size > LARGEST
        write(title, *made.size, made.colours, body)
      end

      def self.write(title, width, height, colours, body)
        %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 #{width} #{height}" data-colours="#{colours.join(" ")}"><title>#{CGI.escapeHTML(title)}</title>#{body}</svg>)
      end
      private_class_method :of_picture, :of_drawing, :write

      # @param artwork [Artwork]
      def initialize(artwork)
        super(artwork.template, artwork.paints)
        @artwork = artwork
        plain = artwork.places.map(&:paint).select { |paint| paint.kind == :plain }.map { |paint| paint.colour.with(alpha: 1).hex }
        @colours = plain.tally.sort_by { |hex, count| [-count, hex] }.map(&:first)
      end

      # @return [Array<String>] hexes of its inks; where a drawing has more, the others stay as they are
      def colours = @colours.first(Palette::Tile::MOST)

      # Of a repeat, in its own units.
      # @return [Array<Float>]
      def size = [@artwork.width, @artwork.height].then { |both| both.map { |side| (side * [WIDEST / both.max, 1].min).round(3) } }

      # The drawing in its place, its identifiers its own.
      def to_s
        painted = @template.gsub(PART) { attributes(CGI.unescapeHTML($1)) }
        width, height = size
        root = painted[/<svg[^>]*>/]
        placed = root.gsub(/ (?:x|y|width|height|xmlns)="[^"]*"/, "").sub("<svg", %(<svg width="#{width}" height="#{height}"))
        placed = placed.sub("<svg", %(<svg viewBox="0 0 #{@artwork.width} #{@artwork.height}")) unless placed.include?("viewBox=")
        painted.sub(root, placed).gsub(Artwork::Identifiers::MARK, "tile-#{Servers.digest(painted)}-")
      end

      private

      def ink(colour, _reference)
        number = colours.index(colour.with(alpha: 1).hex)
        Ink.new(number ? "ink(#{number})" : colour.with(alpha: 1).hex, colour.alpha)
      end
    end
  end
end
