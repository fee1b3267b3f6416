module Places
  module Deliver
    # What goes out, as what, what is lost of it, and the file as it will be.
    class Page
      LINES = 400 # of a file that are shown
      TABS = {"colours" => "Colours", "libraries" => "Libraries", "artwork" => "Artwork"}.freeze

      # What stays because no file has it.
      # @!attribute count [Integer]
      # @!attribute words [String]
      Staying = Struct.new(:count, :words)

      # @param desk [Frame::Desk]
      # @param going [Going]
      def initialize(desk, going)
        @desk, @going, @swatches = desk, going, going.swatches
      end

      attr_reader :going, :swatches

      # @return [Array<Frame::LibraryStrip>] what there is, with some of its colours
      def libraries = @libraries ||= Frame::LibraryStrip.all(@desk.actor)

      def formats = Magpie::Formats.written

      def palettes = @desk.palettes

      def chips(palette) = palette.groups.select { |group| @going.goes?(group) }.flat_map { |group| @desk.chips[group.id] }

      def size(group) = @desk.chips[group.id].size

      def sizes(palette) = palette.groups.sum { |group| size(group) }

      # How far a palette is ticked.
      # @return [Symbol] :all, :some or :none
      def ticked(palette)
        going = palette.groups.count { |group| @going.goes?(group) }
        if going == palette.groups.size
          :all
        else
          ((going > 0) ? :some : :none)
        end
      end

      # The only one, or the first of several.
      # @return [Going::Part, nil]
      def shown = @going.parts.first

      # @return [Array<Magpie::Formats::Losses::Loss, Staying>]
      def losses(part) = part.sending.losses + staying(part)

      def lost = @lost ||= @going.parts.sum { |part| losses(part).sum(&:count) }

      # What there is to choose, of the format and of what it does not carry.
      # @return [Array<Magpie::Formats::Option>]
      def options = @going.parts.flat_map { |part| part.sending.offered }.uniq(&:key)

      def chosen(option) = shown.sending.options[option.key]

      # Palettes that could have the colours for the dark.
      def dark_ones = (@going.format.key == "css" && @going.parts.size == 1 && @going.library.nil?) ? palettes - [shown.palette] : []

      def dark = @going.options["dark"].to_i

      def picture? = @going.format.media_type.start_with?("image/")

      # @return [String] the beginning of the file; of one that is no text what stands in it
      def text
        return contents unless text?
        lines = shown.sending.bytes.dup.force_encoding(Encoding::UTF_8).lines
        lines.first(LINES).join + ((lines.size > LINES) ? "… #{Magpie::Text.thousands(lines.size - LINES)} more lines\n" : "")
      end

      def text? = !@going.format.media_type.match?(/iccprofile|\Aimage\/png/)

      def bytes = Magpie::Text.bytes(shown.sending.bytes.bytesize)

      # Palettes can be watched where they go whole.
      def watchable? = @going.library.nil? && @going.parts.size == 1 && !@going.some?

      # @return [Watch, nil] of the palette that is shown
      def watch = @watch ||= Watch.find_by(palette_id: shown.palette.id)

      # What the address says beside the key: the ending, and what is chosen otherwise than usual.
      def watched_as
        said = @going.format.options.filter_map { |option| [option.key, chosen(option)] if chosen(option) != option.usual }
        "#{@going.format.ending_for(shown.sending.options)}#{"?#{Rack::Utils.build_query(said)}" if said.any?}"
      end

      # Each with its colourways.
      def artworks = @artworks ||= @desk.rows.artworks.flat_map { |each| [each, *@desk.rows.colourways[each.id]] }

      # @return [Array<Import>] that came in, newest first
      def came = @came ||= @desk.project.imports.brought.limit(12).to_a

      private

      # Names and Lab, as they are read again.
      def contents
        read = Magpie::Formats.read(shown.sending.bytes, name: Going.file(shown), as: @going.format.key).palette.swatches
        width = read.map { |swatch| swatch.name.size }.max.to_i
        read.first(LINES).map { |swatch| "#{swatch.name.ljust(width)}  #{Magpie::Notation.numbers(swatch.colour, :lab)}\n" }.join
      end

      def staying(part)
        return [] if @going.library
        groups = part.palette.groups.select { |group| @going.goes?(group) }
        chips = groups.flat_map { |group| @desk.chips[group.id] }
        chips = chips.select { |chip| @swatches.include?(chip.id) } if @swatches.any?
        [slots(groups), said(chips.count(&:locked), "lock", "locks", "stays here"), untied(chips), outfits(part)].compact
      end

      def slots(groups)
        empty = @swatches.any? ? 0 : groups.sum { |group| @desk.chips[group.id].then { |chips| (chips.map(&:position).max || 0) - chips.size } }
        said([empty, 0].max, "empty slot", "empty slots", "stays here")
      end

      # What is made from a swatch that does not go along.
      def untied(chips)
        ids = chips.map(&:id).to_set
        said(chips.count { |chip| [chip.tint_of_id, *chip.inks.values].compact.any? { |id| !ids.include?(id) } }, "swatch made from another that stays", "swatches made from others that stay", "goes as a value")
      end

      def outfits(part) = said(@swatches.any? ? 0 : Outfit.where(palette_id: part.palette.id).count, "outfit", "outfits", "stays here")

      def said(count, one, many, what) = (count > 0) ? Staying.new(count, Magpie::Formats::Losses.words(count, one, many, what)) : nil
    end
  end
end
