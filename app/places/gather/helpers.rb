module Places
  module Gather
    # What Gather shows beside the pages' common things.
    module Helpers
      # Swatches closer than this to a reading are "already close" (ΔE00).
      CLOSE = 3.0

      # What is chosen to be read: a source or an artwork of the project.
      # @return [Readable]
      def readable
        @readable ||= case params[:kind]
        when "sources" then project.sources.find(number(params[:readable]))
        when "artworks" then project.artworks.find(number(params[:readable]))
        else raise ActiveRecord::RecordNotFound
        end
      end

      # How many, the favour for accents and whether grounds count are chosen.
      # @param readable [Readable]
      # @return [MainColours]
      def main_colours_of(readable) = MainColours.new(readable, choices.main_colours)

      # For file fields.
      def accepted_pictures = Magpie::Picture::File::FORMATS.map(&:media_type).join(",")

      # [[swatch, ΔE00]], nearest first.
      def close_swatches(colour, most = 4)
        used_index.to(colour, most:, within: CLOSE)
      end

      # The whole notation that is copied by itself after a reading; nil when switched off.
      def copied_by_itself(colour) = (choices[:copying] == "on") ? Magpie::Notation.write(colour, choices[:favourite].to_sym) : nil

      def verdict_words(find)
        {"even" => "Even. Safe to keep as one colour.", "a little mixed" => "A little mixed. Look at the most common colour too.",
         "mixed" => "Mixed. Try a smaller probe, a patch, or another place."}[find.verdict]
      end

      # A place in a picture as CSS percentages.
      def percent(value, side) = (100.0 * value / side).round(4)

      # An outline as an SVG path, in pixels of the picture.
      def path_of(corners) = "M#{corners.map { |x, y| "#{x.round(2)} #{y.round(2)}" }.join("L")}Z"
    end
  end
end
