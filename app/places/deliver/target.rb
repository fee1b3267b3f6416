module Places
  module Deliver
    # Where a file goes that comes in: into a palette, a new one, a new project's, a library;
    # and what is to be said of it there.
    class Target
      NEW, PROJECT, LIBRARY, NEWER = "", "project", "library", "newer"

      # @param import [Import]
      # @param desk [Frame::Desk]
      # @param value [Magpie::Palette] of the file
      # @param asked [String, nil] one of the above, or a palette's id; nil proposes somewhere
      def initialize(import, desk, value, asked)
        @import, @desk, @value = import, desk, value
        @asked = asked || proposed
      end

      # @return [Boolean] does it go into a library?
      def library? = @asked == LIBRARY || newer_library?

      # @return [Palette, Library, nil] where it meets something
      def into
        return home if newer_library?
        @into ||= (@desk.palettes.find { |palette| palette.id == Frame::Asked.id(@asked) } unless library?)
      end

      # The library of which it could be a newer version.
      # @return [Library, nil]
      def home = @home ||= @import.older&.home.then { |home| home if home.is_a?(Library) }

      # Is it chosen?
      # @param what [String, Palette]
      def goes?(what) = what.is_a?(Palette) ? into == what : @asked == what && (what != NEWER || newer_library?)

      # As a library has it: codes are taken apart from names.
      # @return [Magpie::Palette]
      def apart = apart_with_example.first

      # An older version as it came in there.
      def as_there(older) = library? ? Magpie::Library::Codes.apart(older).first : older

      # @return [Array<Magpie::Formats::Note>]
      def notes = (library? ? [codes, plain] : [twice, beyond]).compact

      private

      def newer_library? = @asked == NEWER && !home.nil?

      # Where its older version is; the palette that has most of its groups; or what it looks like.
      def proposed
        there = @import.older&.home
        return there.is_a?(Library) ? NEWER : there.id.to_s if there
        likely&.id&.to_s || (a_library? ? LIBRARY : NEW)
      end

      # What has codes throughout, or was measured, is meant to be matched against.
      def a_library?
        swatches = @value.swatches
        swatches.any? && (!apart_with_example.last.nil? || swatches.all?(&:code) || swatches.all?(&:spectrum))
      end

      def likely
        names = @value.groups.map { |group| group.name.downcase }
        best = @desk.palettes.max_by { |each| (each.groups.map { |group| group.name.downcase } & names).size }
        best if best&.groups&.any? { |group| names.include?(group.name.downcase) }
      end

      def apart_with_example = @apart_with_example ||= Magpie::Library::Codes.apart(@value)

      def codes = apart_with_example.last&.then { |name| note("every name begins with a code, which stands by itself then, as in “#{name}”") }

      def plain
        compounds = @value.swatches.count(&:compound)
        note("#{Magpie::Text.count(compounds, "gradient or pattern").sub("gradient or patterns", "gradients or patterns")} left out: a library holds colours") if compounds > 0
      end

      # Two of one name in a group: the second is called otherwise when it comes in.
      def twice
        alike = @value.groups.sum { |group| group.swatches.map { |swatch| swatch.name.downcase }.reject(&:empty?).tally.sum { |_, times| times - 1 } }
        note("#{Magpie::Text.count(alike, "name")} that a group has already: a number is put behind") if alike > 0
      end

      # What only a library has room for.
      def beyond
        has = {"spectra" => :spectrum, "press values" => :inks, "pages of a chart" => :page, "positions on a chart" => :position}.select { |_, member| @value.swatches.any? { |swatch| swatch[member] } }.keys
        has += {"what it was measured on" => :condition, "the licence" => :licence}.select { |_, member| @value[member] }.keys
        note("#{Magpie::Text.list(has)} stay in the file: only a library has room for them") if has.any?
      end

      def note(words) = Magpie::Formats::Note.new(nil, words, nil)
    end
  end
end
