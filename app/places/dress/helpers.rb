module Places
  module Dress
    # What its routes and views ask for.
    module Helpers
      def artwork = @artwork ||= project.artworks.find(number(params[:artwork]))

      # How many parts came in, and what was left out of the files.
      def what_came(artworks)
        return [] if artworks.empty?
        dropped = artworks.flat_map { |each| each.dropped.map { |line| "#{each.name}, #{line}" } }
        left_out = "Left out: #{dropped.first(6).join("; ")}#{" and #{dropped.size - 6} more" if dropped.size > 6}" if dropped.any?
        ["Brought in #{Magpie::Text.list(artworks.map { |each| "#{each.name}, #{count(each.part_count, "part")}" })}", left_out].compact
      end

      # [the nearest swatch, ΔE00]; far beyond any ΔE where there is none.
      def stray_near(hex)
        used_index.nearest(Magpie::Notation.parse(hex)) || [nil, Float::INFINITY]
      end
    end
  end
end
