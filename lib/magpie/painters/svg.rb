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
      def initialize(template, paints)
        @template, @paints = template, paints
        @servers = Servers.new(paints.values.filter_map(&:compound).uniq.to_h { |compound| [Servers.id(compound), compound] }) { |colour, reference| ink(colour, reference) }
      end

      # @return [String]
      def to_s
        painted = @template.gsub(PART) { attributes(CGI.unescapeHTML($1)) }
        head = @servers.to_s + sheet
        painted = painted.sub(/<svg[^>]*>/) { |root| root + head } unless head.empty?
        painted.delete(Artwork::Identifiers::MARK)
      end

      private

      # @param reference [Object, nil] what the colour follows
      # @return [Ink]
      def ink(colour, reference) = raise(NotImplementedError)

      # Elements that come first in the drawing, besides gradients and patterns.
      def sheet = ""

      def attributes(key)
        ROLES.filter_map { |role| (paint = @paints[[key, role]]) && written(Artwork::Paint::ATTRIBUTES[role], paint) }.join
      end

      def written((name, opacity), paint)
        text, share = value(paint)
        %( #{name}="#{CGI.escapeHTML(text)}"#{%( #{opacity}="#{Notation::Forms.short(share, 4)}") if share < 1})
      end

      # [what the attribute holds, opacity]
      def value(paint)
        case paint.kind
        when :none then ["none", 1.0]
        when :server then [paint.server.sub(/\Aurl\(#(.*)\)\z/) { "url(##{Artwork::Identifiers::MARK}#{Artwork::Identifiers.safe($1)})" }, paint.opacity]
        when :compound then ["url(##{Servers.id(paint.compound)})", paint.opacity]
        else ink(paint.colour, paint.reference).then { |ink| [ink.text, ink.opacity * paint.opacity] }
        end
      end
    end
  end
end
