module Places
  module Deliver
    # What goes out: the groups that are ticked, or the swatches that were selected, of
    # each palette; in the format that was chosen, with what was chosen about it.
    class Going
      # @!attribute palette [Palette, Library]
      # @!attribute sending [Magpie::Formats::Sending]
      Part = Struct.new(:palette, :sending)

      # @param desk [Frame::Desk]
      # @param swatches [Array<Integer>] ids; where there are some, only these go
      def initialize(desk, swatches = [])
        @desk, @choices, @swatches = desk, desk.choices, swatches
      end

      # Swatches that were selected, of which alone the file is made.
      # @return [Array<Integer>]
      attr_reader :swatches

      # @return [Library, nil] that goes out instead of palettes
      def library = nil

      # What says in an address what goes out.
      # @return [Hash]
      def query = {selected: ("1" if some?)}

      # @return [Class]
      def format = @format ||= Magpie::Formats.written.find { |each| each.key == @choices[:sending] } || Magpie::Formats.written.first

      # What was chosen about the format.
      # @return [Hash{String => String}]
      def options = @options ||= Going.options(@choices[:sending_options])[format.key] || {}

      # @return [Boolean] does a group go?
      def goes?(group) = @swatches.any? ? chosen_in(group).any? : !left_out.include?(group.id)

      def some? = @swatches.any?

      # @return [Array<Part>] of those palettes of which something goes
      def parts = @parts ||= @desk.palettes.select { |palette| palette.groups.any? { |group| goes?(group) } }.map { |palette| Part.new(palette, sending(palette)) }

      # @return [Integer] swatches that go, as they go
      def size = parts.sum { |part| part.sending.palette.swatches.size }

      # How the file is called: one for a palette, or all of them in one.
      # @return [String]
      def name = (parts.size == 1) ? Going.file(parts[0]) : "#{Magpie::Text.slug(@desk.project.name, "palettes")}-#{format.key}.zip"

      # @return [[String, String, String]] name, media type and bytes
      # @raise [Magpie::Error] where nothing goes
      def download
        raise Magpie::Error, "Nothing is ticked. Tick a group or more" if parts.empty?
        return [name, format.media_type, parts[0].sending.bytes] if parts.size == 1
        [name, "application/zip", Zipped.of(parts.map { |part| [Going.file(part), part.sending.bytes] })]
      end

      def self.file(part) = "#{Magpie::Text.slug(part.palette.name, "palette")}#{part.sending.format.ending_for(part.sending.options)}"

      # What is kept as text in the choices.
      # @return [Hash{String => Hash{String => String}}] by format
      def self.options(text) = JSON.parse(text.to_s.empty? ? "{}" : text)

      private

      # @return [Magpie::Palette, nil] that has the colours for dark pages
      def dark = (format.key == "css" && options["dark"]) ? @desk.palettes.find { |each| each.id == options["dark"].to_i }&.value : nil

      # Of the first palette everything goes, of others nothing, until somebody says otherwise.
      def left_out
        @left_out ||= begin
          said = @choices[:left_out]
          (said.empty? ? @desk.palettes.drop(1).flat_map(&:groups).map(&:id) : said.split(",").map(&:to_i)).to_set
        end
      end

      def chosen_in(group) = @desk.chips[group.id].select { |chip| @swatches.include?(chip.id) }

      def sending(palette)
        groups = palette.groups.each_with_index.filter_map { |group, g| g if goes?(group) }
        ids = palette.groups.map { |group| @desk.chips[group.id].map(&:id) }
        some = Magpie::Palette::Rearranged.only(palette.value, groups) { |g, s| @swatches.empty? || @swatches.include?(ids[g][s]) }
        Magpie::Formats::Sending.new(some, format, options.except("dark"), dark:)
      end
    end
  end
end
