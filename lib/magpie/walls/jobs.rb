module Magpie
  module Walls
    # What is done in cells. What goes in and comes out is marshalled.
    module Jobs
      # A picture that was decoded.
      # @!attribute facts [Hash] see Picture::File
      # @!attribute tone [Picture::Tone, nil] nil where every pixel is transparent, or nobody asked
      Opened = Struct.new(:width, :height, :facts, :tone, keyword_init: true)

      # Pixels from which its tone is told: on the demo's pictures within 0.0002 of all of them.
      TONED = 200_000

      # Pixels of the longer side: 240 on a screen with two for each.
      SMALL = 480
      # Drawings may hold pictures, of more text than is read of others.
      HELD = "[unlimited]"
      # What is looked at beside the stage, and zoomed into.
      PRINTED = 1600
      # What would be longer before all but its middle is cut off is drawn in its own size.
      STRIP = 300_000

      module_function

      def artwork(bytes, name) = Artwork.read(bytes, name:)

      # @return [Array(String, Array<Painters::Seam::Edge>)] see Painters::OwnTile, and where it
      #   meets itself
      def tile(bytes, name)
        svg = Painters::OwnTile.of(bytes, name)
        [svg, Picture::Vips.call("the tile") { Painters::Seam.new(Palette::Tile.new(svg)).edges }]
      end

      def palette(bytes, as, columns, name) = Formats.read(bytes, name:, as:, columns:)

      def profile(bytes, name) = Press::Profile.of(bytes, name)

      def archive(bytes, name) = Formats::Archive.files(bytes, name)

      def grounds(template, paints, _) = [Painters::Grounds.of(template, paints), Artwork::Opacities.of(template)]

      # @param to [String, nil]
      # @return [Opened]
      def picture(bytes, to, toned, name)
        picture = Painters.picture(bytes, name:)
        kept = to && Thread.new { picture.store(to) } # pixels and tone, side by side
        tone = tone(picture) if toned
        kept&.value
        Opened.new(width: picture.width, height: picture.height, facts: picture.facts, tone:)
      end

      def small(drawing, _)
        Picture::Vips.call("the drawing") { ::Vips::Image.thumbnail_buffer(drawing, SMALL, height: SMALL, size: :both, option_string: HELD).pngsave_buffer(compression: 6, strip: true) }
      end

      # As large as it is shown, which takes a tenth of the time that reading from it would.
      # @param size [Array<Numeric>] width and height of the drawing
      def thumbnail(drawing, size, width, height, _)
        Picture::Vips.call("the drawing") do
          length = [width / size[0].to_f, height / size[1].to_f].max * size.max
          next Picture.new(::Vips::Image.new_from_buffer(drawing, HELD)).thumbnail(width, height) if length > STRIP
          Picture.small_jpeg(::Vips::Image.thumbnail_buffer(drawing, width, height:, crop: :centre, option_string: HELD))
        end
      end

      # @return [Array(String, Integer, Integer)] PNG, width, height
      def piece(bytes, corners, straightened, name)
        Picture::Vips.call("the picture") do
          png = Picture::Piece.new(Painters.picture(bytes, name:).within(4 * Picture::Piece::LARGEST), corners, straightened:).png
          made = ::Vips::Image.new_from_buffer(png, "")
          [png, made.width, made.height]
        end
      end

      def drawn(drawing, width, _)
        Picture::Vips.call("the board") { ::Vips::Image.thumbnail_buffer(drawing, width, size: :both, option_string: HELD).pngsave_buffer(compression: 6, strip: true) }
      end

      # @param condition [Press::Condition]
      def printed(drawing, condition, paper, _)
        Picture::Vips.call("the drawing") do
          image = ::Vips::Image.thumbnail_buffer(drawing, PRINTED, height: PRINTED, size: :both, option_string: HELD)
          Picture::SoftProof.of(image, condition, paper:).pngsave_buffer(compression: 6, strip: true)
        end
      end

      # @return [Array<Press::Proof>]
      def proofs(condition, colours, _) = colours.map { |colour| condition.proof(colour) }

      def unprintable(condition, colours, limit, _) = Palette::Unprintable.of(colours, limit:, condition:)

      # @return [Array(Array<Float>, Float)] inks and ΔE00, see Press::Closest
      def closest(condition, lab, _) = Press::Closest.new(condition, lab).then { |closest| [closest.inks, closest.de2000] }

      def renewed(template, _) = Artwork::Renewed.of(template)

      def reading(bytes, x, y, probe, tolerance, name)
        picture = Painters.picture(bytes, name:)
        picture.read(tolerance ? Picture::Probe.patch(picture, x, y, tolerance) : Picture::Probe.square(picture, x, y, probe), at: [x, y])
      end

      def main_colours(bytes, how, name) = Picture::MainColours.new(Picture::Cells.new(Painters.picture(bytes, name:)), **how).to_a

      # @param picture [Picture]
      # @return [Picture::Tone, nil]
      def tone(picture)
        Picture::Tone.of(Picture::Cells.new(picture.thinned(TONED)))
      rescue Error
        nil
      end
    end
  end
end
