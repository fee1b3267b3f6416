require "cgi"
require "digest"
require "json"

module Magpie
  module Painters
    # Puts paints into a template, which has a mark where the paint of a part (or gradient
    # stop) goes: an attribute that begins with a character that no file can hold, so that
    # nothing in a drawing is taken for one. A painter says how a colour is written, by #ink.
    class Svg
      PART = / #{Artwork::Parts::MARK}="#{Artwork::Identifiers::MARK}([^"]*)"/o
      ROLES = Artwork::Paint::ATTRIBUTES.keys.freeze

      # How a colour is written: its text, and the opacity that is not in the text.
      Ink = Struct.new(:text, :opacity)

      # @param template [String] see Artwork
      # @param paints [Hash{[key, role] => Artwork::Paint}]
      # @param frames [Artwork::Frames, nil] of the template; read of it where they are needed
      def initialize(template, paints, frames: nil)
        @template, @paints, @frames = template, paints, frames
        @servers = Servers.new(writing)
      end

      # @return [String]
      def to_s
        painted = @template.gsub(PART) { attributes(CGI.unescapeHTML($1)) }
        head = @servers.to_s + sheet # gradients and patterns that were asked for
        painted = painted.sub(/<svg[^>]*>/) { |root| root + head } unless head.empty?
        painted.delete(Artwork::Identifiers::MARK)
      end

      private

      # @param reference [Object, nil] what the colour follows
      # @return [Ink]
      def ink(colour, reference) = raise(NotImplementedError)

      # How colours are written in gradients and patterns.
      # @return [Writing]
      def writing = Writing.new

      def frames = @frames ||= Artwork::Frames.new(@template)

      # Elements that come first in the drawing, besides gradients and patterns.
      def sheet = ""

      def attributes(key)
        ROLES.filter_map { |role| (paint = @paints[[key, role]]) && written(Artwork::Paint::ATTRIBUTES[role], paint, key) }.join
      end

      def written((name, opacity), paint, key)
        text, share = value(paint, key)
        %( #{name}="#{CGI.escapeHTML(text)}"#{%( #{opacity}="#{Notation::Forms.short(share, 4)}") if share < 1})
      end

      # [what the attribute holds, opacity]
      def value(paint, key)
        case paint.kind
        when :none then ["none", 1.0]
        when :server then [paint.server.sub(/\Aurl\(#(.*)\)\z/) { "url(##{Artwork::Identifiers::MARK}#{Artwork::Identifiers.safe($1)})" }, paint.opacity]
        when :compound then ["url(##{@servers.use(paint.compound, frames[key], paint.laid)})", paint.opacity]
        else ink(paint.colour, paint.reference).then { |ink| [ink.text, ink.opacity * paint.opacity] }
        end
      end
    end
  end
end
