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
      # @param times [Integer] how many tiles there are in it, along each side
      # @return [String] SVG
      def to_s(id, more = "", once: false, times: 1)
        drawn = (times > 1) ? block(id, times) : shown
        drawn = %(<svg width="#{width}" height="#{height}">#{drawn}</svg>) if once
        %(<pattern id="#{id}" width="#{width * times}" height="#{height * times}" patternUnits="userSpaceOnUse" patternTransform="#{transform}"#{more}>#{drawn}</pattern>)
      end

      # One tile.
      # @return [String] SVG
      def shown = layers.join

      # How many tiles there have to be in a pattern, along each side, so that it is seen where it
      # is drawn small: librsvg draws none whose tile is less than one px.
      # @param placing [Artwork::Tiling, nil]
      # @param frame [Artwork::Frames::Frame] of the part
      # @return [Integer] 1 of most
      def times(placing, frame)
        share = size * (placing&.scale || 1.0) / frame.view.max
        (placing&.once? || share > FINE) ? 1 : 2**Math.log2(BLOCK / share).ceil.clamp(1, 5)
      end

      # Shares of the drawing: a repeat that may be lost, and what it is brought to.
      FINE, BLOCK = 1 / 80.0, 1 / 20.0

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

      # Its elements, the lowest first: the ground.
      def layers
        return of_tile if tile
        send(@compound.form, @compound.inks)
      end

      def of_tile
        return tile.layers.map { |layer| @writing.picture(layer, @compound.form) } if tile.picture
        tile.layers { |name, number, share| @writing.ink(name, "#{name.delete_suffix("-color")}-opacity", @compound.inks.fetch(number).then { |ink| (share < 1) ? ink.with(opacity: ink.opacity * share) : ink }) }
      end

      # Many tiles, element by element, so that none covers what reaches in from the next one; on
      # one ground. Each row is drawn once.
      def block(id, times)
        ground, *others = tile&.own? ? ["", layers.join] : layers
        wide = ground.sub(/ width="[^"]*"/, %( width="#{width * times}")).sub(/ height="[^"]*"/, %( height="#{height * times}"))
        return stripes(@compound.inks, times).join if @compound.form == "stripes"
        wide + others.each_with_index.map { |layer, number|
          row = (0...times).map { |at| %(<use href="##{id}-#{number}" x="#{width * at}"/>) }
          %(<defs><g id="#{id}-#{number}">#{layer}</g><g id="#{id}-#{number}-row">#{row.join}</g></defs>) + (0...times).map { |at| %(<use href="##{id}-#{number}-row" y="#{height * at}"/>) }.join
        }.join
      end

      # @return [Array<String>]
      def stripes(inks, times = 1)
        width = size / inks.size.to_f
        Array.new(times) { |at| inks.each_with_index.map { |ink, index| %(<rect x="#{(size * at + width * index).round(3)}" width="#{width.round(3)}" height="#{size * times}"#{fill(ink)}/>) } }.flatten
      end

      def dots((ground, dot))
        [%(<rect width="#{size}" height="#{size}"#{fill(ground)}/>), %(<circle cx="#{size / 2.0}" cy="#{size / 2.0}" r="#{(size * 0.25).round(3)}"#{fill(dot)}/>)]
      end

      def checks((ground, check))
        half = size / 2.0
        [%(<rect width="#{size}" height="#{size}"#{fill(ground)}/>), %(<path d="M0 0h#{half}v#{half}h-#{half}zm#{half} #{half}h#{half}v#{half}h-#{half}z"#{fill(check)}/>)]
      end

      def fill(ink) = @writing.ink("fill", "fill-opacity", ink)
    end
  end
end
