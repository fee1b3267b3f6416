module Places
  module Dress
    # What Dress asks for.
    module Helpers
      def artwork = project.artworks.find(param.id(:artwork))

      # What was brought in, and what was left out of the files.
      def what_came(artworks)
        return [] if artworks.empty?
        dropped = artworks.flat_map { |each| each.dropped.map { |line| "#{each.name}, #{line}" } }
        left_out = "Left out: #{dropped.first(6).join("; ")}#{" and #{dropped.size - 6} more" if dropped.size > 6}" if dropped.any?
        parts = Dressing.part_counts(artworks.map(&:id))
        ["Brought in #{Magpie::Text.list(artworks.map { |each| "#{each.name}, #{count(parts.fetch(each.id, 0), "part")}" })}", left_out].compact
      end

      # The hand shows the part that is picked, and what the swatch in it reaches.
      def hand_middle = @page&.picked ? [:picked] : super

      def hand_end = @page&.held ? :reach : super
    end
  end
end
