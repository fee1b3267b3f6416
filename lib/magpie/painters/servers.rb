module Magpie
  module Painters
    # Gradients and patterns of palettes as SVG paint servers, once each.
    class Servers
      # An identifier that tells what it looks like: inks that follow differently are
      # different, though they look alike now.
      # @param compound [Palette::Compound]
      def self.id(compound) = "#{Artwork::Identifiers::MARK}compound-#{Digest::SHA256.hexdigest(JSON.generate([compound.to_h, compound.inks.map { |ink| ink.reference.to_s }]))[0, 12]}"

      # @param compounds [Hash{String => Palette::Compound}] by identifier
      # @yieldparam colour [Color]
      # @yieldparam reference [Object, nil] what the ink follows
      # @yieldreturn [Svg::Ink]
      def initialize(compounds, &ink)
        @compounds, @ink = compounds, ink
      end

      def to_s = @compounds.empty? ? "" : "<defs>#{@compounds.map { |id, compound| server(id, compound) }.join}</defs>"

      private

      def server(id, compound)
        inks = compound.inks.map { |ink| @ink.call(ink.colour, ink.reference) }
        return gradient(id, compound, inks) if compound.gradient?
        size = compound.size
        turned = (compound.form == "stripes") ? compound.angle : 0
        %(<pattern id="#{id}" width="#{size}" height="#{size}" patternUnits="userSpaceOnUse" patternTransform="rotate(#{turned})">#{send(compound.form, size, inks)}</pattern>)
      end

      def gradient(id, compound, inks)
        stops = compound.inks.zip(inks).sort_by.with_index { |(each, _), index| [each.offset, index] }
          .map { |each, ink| %(<stop offset="#{each.offset}" #{paint("stop-color", "stop-opacity", ink)}/>) }.join
        return %(<radialGradient id="#{id}">#{stops}</radialGradient>) if compound.form == "radial"
        turn = compound.angle * Math::PI / 180
        ends = [-0.5, 0.5].flat_map { |side| [0.5 + side * Math.cos(turn), 0.5 + side * Math.sin(turn)] }.map { |value| value.round(4) }
        %(<linearGradient id="#{id}" x1="#{ends[0]}" y1="#{ends[1]}" x2="#{ends[2]}" y2="#{ends[3]}">#{stops}</linearGradient>)
      end

      def stripes(size, inks)
        width = size / inks.size.to_f
        inks.each_with_index.map { |ink, index| %(<rect x="#{(width * index).round(3)}" width="#{width.round(3)}" height="#{size}" #{fill(ink)}/>) }.join
      end

      def dots(size, (ground, dot))
        %(<rect width="#{size}" height="#{size}" #{fill(ground)}/><circle cx="#{size / 2.0}" cy="#{size / 2.0}" r="#{(size * 0.25).round(3)}" #{fill(dot)}/>)
      end

      def checks(size, (ground, check))
        half = size / 2.0
        %(<rect width="#{size}" height="#{size}" #{fill(ground)}/><path d="M0 0h#{half}v#{half}h-#{half}zm#{half} #{half}h#{half}v#{half}h-#{half}z" #{fill(check)}/>)
      end

      def fill(ink) = paint("fill", "fill-opacity", ink)

      def paint(name, opacity, ink) = %(#{name}="#{ink.text}"#{%( #{opacity}="#{Notation::Forms.short(ink.opacity, 4)}") if ink.opacity < 1})
    end
  end
end
