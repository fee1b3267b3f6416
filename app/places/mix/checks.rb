module Places
  module Mix
    # How the colour reads as text, how weaker cones see it, and what is nearest to it.
    class Checks < Panel
      NEAREST = 3
      # Contrast as WCAG 2.2 asks it: 1.4.6, 1.4.3, 1.4.3 for large text.
      GRADES = {7 => "good for any text", 4.5 => "good for text", 3 => "large text only"}.freeze

      On = Struct.new(:words, :ground, :ratio, :grade)
      Near = Struct.new(:name, :palette, :colour, :difference)

      # @return [Chip, nil] what it is read on beside white and black
      def ground = @ground ||= chosen(:ground) || swatches.first

      def contrasts
        grounds = [["on white", Magpie::Making::Tints::WHITE], ["on black", Magpie::Making::Tints::BLACK], *([["on #{ground.name}", ground.colour]] if ground)]
        grounds.map { |words, under| Magpie::Contrast.ratio(colour, under).then { |ratio| On.new(words, under, ratio, grade(ratio)) } }
      end

      def seen = Magpie::Vision::KINDS.map { |kind| Magpie::Vision.seen(colour, kind) }

      # The swatches of the whole house that are nearest, whatever project uses them.
      def near
        all = @desk.actor.swatches.joins(group: :palette).order(:id).pluck(Arel.sql("swatches.name"), Arel.sql("palettes.name"), :colour)
        Magpie::Library::Nearest.new(all.map { |row| [row.last, row] }).to(colour, most: NEAREST).map { |row, difference| Near.new(*row, difference) }
      end

      private

      def grade(ratio) = GRADES.find { |least, _| ratio >= least }&.last || "not for text"
    end
  end
end
