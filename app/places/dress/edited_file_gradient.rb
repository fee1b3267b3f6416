module Places
  module Dress
    # A gradient that the drawing has itself, as it is edited: the first thing that is done to
    # it makes it the parts' own, and what is seen stays as it was but for that.
    class EditedFileGradient < EditedPaint
      # @param numbers [Array<Integer>] of the parts that are picked
      # @return [EditedFileGradient, nil] nil where it is a pattern, or cannot be edited
      def self.of(artwork, place_id, numbers)
        found = new(artwork, place_id, numbers)
        found if found.gradient && found.paint
      rescue Magpie::Error
        nil
      end

      def initialize(artwork, place_id, numbers)
        super(artwork, place_id, "of the file")
        @numbers = numbers
      end

      # @return [Magpie::Artwork::Gradients::Gradient, nil]
      def gradient = @gradient ||= FileGradients.of(@artwork.template)[place.reference]

      def paint = @paint ||= gradient.compound(inks)

      def held_laid = laid

      def laid = @laid ||= gradient.placing(frame, across:)

      def laid? = false

      def own? = false

      def words = "of the file"

      # Parts that are painted with it, too, and are not picked.
      # @return [Array<Integer>] their numbers
      def sharing
        @sharing ||= @artwork.places.where(kind: "reference", reference: place.reference, role: place.role).joins(:part).where(parts: {locked: false}).order("parts.position").pluck("parts.position") - @numbers
      end

      # How it lies in each of the parts, as it is seen.
      # @return [Hash{Integer => Magpie::Artwork::Placing}] by number
      def laid_in(numbers) = frames_of(numbers).transform_values { |each| gradient.placing(each, across:) }

      def kept_in(numbers) = [paint, laid_in(numbers)]

      private

      # What is counted in the units of several parts that stand alike in the drawing runs
      # across them.
      def across
        return @across if defined?(@across)
        frames = frames_of(@numbers).values
        @across = (PartFrames.of(@artwork.template).view if gradient.of_user? && frames.size > 1 && frames.map { |each| each.matrix.to_a }.uniq.size == 1)
      end

      def frames_of(numbers) = @artwork.parts.numbered(numbers).where(kind: "part").pluck(:position, :key).to_h { |number, key| [number, PartFrames.of(@artwork.template)[key]] }

      # @return [Hash{String => Magpie::Palette::Compound::Ink}] by key of the stop
      def inks
        held = @artwork.places.where(role: "stop").joins(:part).where(parts: {key: gradient.stops.map(&:first)}).includes(:part, :follow, :swatch)
        held.to_h { |each| [each.part.key, ink(each)] }
      end

      # What lets all through is mixed as SVG does: its colour counts.
      def ink(held)
        colour = held.swatch&.colour || held.colour || Magpie::Color.from_rgb24(0).with(alpha: 0.0)
        hidden = held.opacity.zero? && held.swatch_id.nil?
        Magpie::Palette::Compound::Ink.new(colour: hidden ? colour.with(alpha: 0.0) : colour, reference: (held.swatch_id unless held.swatch&.paint), opacity: hidden ? 1.0 : held.opacity)
      end
    end
  end
end
