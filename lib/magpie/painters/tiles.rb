module Magpie
  module Painters
    # Patterns of palettes, each as one tile that is repeated.
    class Tiles
      # @param compound [Palette::Compound] a pattern
      # @param writing [Writing]
      def initialize(compound, writing)
        @compound, @writing = compound, writing
      end

      # @return [String] SVG
      def to_s(id)
        size = @compound.size
        turned = (@compound.form == "stripes") ? @compound.angle : 0
        %(<pattern id="#{id}" width="#{size}" height="#{size}" patternUnits="userSpaceOnUse" patternTransform="rotate(#{turned})">#{send(@compound.form, size, @compound.inks)}</pattern>)
      end

      private

      def stripes(size, inks)
        width = size / inks.size.to_f
        inks.each_with_index.map { |ink, index| %(<rect x="#{(width * index).round(3)}" width="#{width.round(3)}" height="#{size}"#{fill(ink)}/>) }.join
      end

      def dots(size, (ground, dot))
        %(<rect width="#{size}" height="#{size}"#{fill(ground)}/><circle cx="#{size / 2.0}" cy="#{size / 2.0}" r="#{(size * 0.25).round(3)}"#{fill(dot)}/>)
      end

      def checks(size, (ground, check))
        half = size / 2.0
        %(<rect width="#{size}" height="#{size}"#{fill(ground)}/><path d="M0 0h#{half}v#{half}h-#{half}zm#{half} #{half}h#{half}v#{half}h-#{half}z"#{fill(check)}/>)
      end

      def fill(ink) = @writing.ink("fill", "fill-opacity", ink)
    end
  end
end
