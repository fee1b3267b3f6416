module Places
  module Gather
    # What Gather shows: the sources and artworks, what stands in the middle and beside
    # it, the find that is read, and the remarks on all finds.
    class Page
      # Side by side; more could not be told apart.
      MOST_COMPARED = 3
      REMARKS = 5

      # @param desk [Frame::Desk]
      # @param param [Frame::Asked] of the request
      def initialize(desk, param)
        @desk, @param = desk, param
      end

      def sources = @sources ||= @desk.rows.sources

      def artworks = @artworks ||= @desk.rows.artworks

      # The find that is shown: the one asked for, or what is in hand.
      # @return [Find, nil]
      def find
        return @find if defined?(@find)
        id = @param.given?(:find) ? @param.id(:find) : @desk.hand.content&.find_id.to_i
        @find = @desk.finds.find { |each| each.id == id } || (@desk.rows.finds(only: "id = :id", id:).first if id > 0)
      end

      # What stands in the middle: what is asked for, what the find came from, or the first.
      # @return [Source, Artwork, nil]
      def looked
        return @looked if defined?(@looked)
        seen = artworks + @desk.rows.colourways.values.flatten # a colour may have been read in a colourway
        asked = seen.find { |each| each.id == @param.id(:artwork) } || sources.find { |each| each.id == @param.id(:source) }
        @looked = asked || [*sources, *seen].find { |each| each == find&.readable } || sources.first
      end

      # Sources beside it.
      def compared
        return [] unless looked.is_a?(Source)
        ids = @param.ids(:with, most: 20)
        @compared ||= sources.select { |each| ids.include?(each.id) && each != looked }.first(MOST_COMPARED - 1)
      end

      def with = @param.text(:with)

      # @return [Array<Shown>] the one in the middle first
      def shown = [looked, *compared].map { |each| Shown.new(self, each, @desk.choices) }

      # Why the one in the middle cannot be shown as a picture: a drawing may ask for more
      # than a picture gets.
      # @return [String, nil]
      def problem
        return @problem if defined?(@problem)
        shown.each(&:ratio)
        @problem = nil
      rescue Magpie::Error => error
        @problem = error.message.sub(/\A./, &:upcase)
      end

      def about? = @param[:about] && looked.is_a?(Source)

      # Finds of all pictures that are shown: beside each other they share their pins.
      def pins
        return [] unless looked
        @pins ||= if looked.is_a?(Source) then @desk.rows.finds(only: "x IS NOT NULL AND source_id IN (:ids)", ids: [looked, *compared].map(&:id))
        else
          @desk.rows.finds(only: "x IS NOT NULL AND artwork_id = :id", id: looked.id)
        end
      end

      def beside?(source) = compared.include?(source)

      # What would stand beside the one in the middle, were a source added or taken away.
      # @return [String, nil] as the address has it
      def with_or_without(source)
        ids = (beside?(source) ? compared - [source] : [*compared, source].last(MOST_COMPARED - 1)).map(&:id)
        ids.join(",") unless ids.empty?
      end

      # How many finds a source has.
      def count_of(source)
        @counts ||= Record.connection.select_rows("SELECT source_id, count(*) FROM finds WHERE project_id = #{project.id} AND removed_at IS NULL GROUP BY source_id").to_h
        @counts.fetch(source.id, 0)
      end

      # What its thumbnail tells.
      def facts_of(source) = [source.name, "#{source.width} × #{source.height} px", source.facts_in_words, source.note].reject(&:empty?).join(", ")

      # @return [Hash{Consistency::Remark => Find}]
      def remarks
        @remarks ||= begin
          found = Consistency.new(project, @desk.groups.to_h { |group| [group, @desk.chips[group.id]] }, @desk.rows.all_sources).remarks.first(REMARKS)
          finds = found.empty? ? {} : @desk.rows.finds(only: "id IN (:ids)", ids: found.map(&:find_id)).index_by(&:id)
          found.to_h { |remark| [remark, finds[remark.find_id]] }
        end
      end

      # @param readable [Source, Artwork]
      # @return [Seen] its picture
      def seen(readable)
        @seen ||= Seen.all(artworks)
        @seen[readable] ||= Seen.new(readable)
      end

      def reading = @reading ||= ReadFind.new(self, find, @desk, @param.text(:stack))

      def main = @main ||= MainStrip.new(looked, seen(looked), @desk.choices)

      private

      def project = @desk.project
    end
  end
end
