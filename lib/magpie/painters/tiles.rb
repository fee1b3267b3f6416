module Magpie
  module Painters
    # Patterns of palettes, each as one tile that is repeated.
    class Tiles
      # @param compound [Palette::Compound] a pattern
      # @param writing [Writing]
      def initialize(compound, writing)
        @compound, @writing = compound, writing
      end

      # @param more [String] attributes besides
      # @param once [Boolean] is nothing of it to be seen beyond the tile?
      # @return [String] SVG
      def to_s(id, more = "", once: false)
        shown = tile ? drawn : send(@compound.form, @compound.inks)
        shown = %(<svg width="#{width}" height="#{height}">#{shown}</svg>) if once
        %(<pattern id="#{id}" width="#{width}" height="#{height}" patternUnits="userSpaceOnUse" patternTransform="#{transform}"#{more}>#{shown}</pattern>)
      end

      # In units of its own.
      # @return [Float]
      def width = tile ? tile.width : size

      def height = tile ? tile.height : size

      # Where it lies in a part.
      # @param placing [Artwork::Tiling]
      # @param frame [Artwork::Frames::Frame] of the part
      # @return [Artwork::Affine]
      def axes(placing, frame) = placing.axes(frame, width, height, size, @compound.angle)

      private

      def tile = @compound.tile

      def size = @compound.size

      # A tile is drawn in units of its own, and repeats after the size that is said.
      def transform = "rotate(#{@compound.angle})#{" scale(#{Artwork::Affine.short(size / tile.width)})" if tile}"

      def drawn = tile.painted { |name, number| @writing.ink(name, "#{name}-opacity", @compound.inks.fetch(number)) }

      def stripes(inks)
        width = size / inks.size.to_f
        inks.each_with_index.map { |ink, index| %(<rect x="#{(width * index).round(3)}" width="#{width.round(3)}" height="#{size}"#{fill(ink)}/>) }.join
      end

      def dots((ground, dot))
        %(<rect width="#{size}" height="#{size}"#{fill(ground)}/><circle cx="#{size / 2.0}" cy="#{size / 2.0}" r="#{(size * 0.25).round(3)}"#{fill(dot)}/>)
      end

      def checks((ground, check))
        half = size / 2.0
        %(<rect width="#{size}" height="#{size}"#{fill(ground)}/><path d="M0 0h#{half}v#{half}h-#{half}zm#{half} #{half}h#{half}v#{half}h-#{half}z"#{fill(check)}/>)
      end

      def fill(ink) = @writing.ink("fill", "fill-opacity", ink)
    end
  end
end
