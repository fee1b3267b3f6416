module Places
  module Match
    # In the room: what is in hand beside what was chosen, in the light that they will be seen in.
    class Room
      # @param colour [Magpie::Color]
      # @param near [Near]
      # @param spectrum [Magpie::Spectrum, nil] of the colour
      def initialize(colour, near, spectrum)
        @near = near
        @room = Magpie::Vision::Room.new([colour, near.colour], [spectrum, near.spectrum])
      end

      # @return [Array<Magpie::Vision::Room::Seen>] three, or four where both were measured
      def seen = @seen ||= @room.seen

      def parting = @room.parting

      # "Light warning: …"
      def warning
        return if parting.empty?
        worst = parting.max_by(&:difference)
        "Under #{Magpie::Text.list(parting.map { |each| each.kind.name.downcase })} they part: ΔE #{format("%.1f", worst.difference)}, and #{format("%.1f", seen.first.difference)} in daylight."
      end

      def words
        return "From both spectra, by illuminants D50, A and F11. Dusk is an estimate." if @room.measured?
        "An estimate: #{@near.spectrum ? "what is in hand has" : "they have"} no spectrum. What eyes do with light is known, what inks do is not."
      end
    end
  end
end
