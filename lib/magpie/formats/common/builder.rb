module Magpie
  module Formats
    # Puts together what a reader finds, and spends its budget.
    class Builder
      LONGEST_NOTE = 300 # characters
      EXCERPT = 80

      attr_reader :source, :budget, :groups

      # @param source [Source]
      # @param budget [Limits::Budget]
      def initialize(source, budget = Limits.palette)
        @source, @budget = source, budget
        @groups, @notes, @left = {}, [], 0
      end

      # The group of that name, made where it is missing.
      # @return [Palette::Group]
      def group(name) = begin_group(Text.name(name), name:)

      # The group that stands somewhere in the file; there may be others of its name.
      # @param key [Object] where
      # @return [Palette::Group]
      def begin_group(key, name:, note: nil)
        @groups[key] ||= begin
          @budget.spend(:groups)
          Palette::Group.new(name: Text.name(name), note: clean(note, 2000), swatches: [])
        end
      end

      # @param group [String, Palette::Group] or its name
      # @return [Palette::Swatch]
      # @raise [Magpie::Error] where there are too many
      def add(group, name:, colour:, note: nil, code: nil, library: nil, **more)
        @budget.spend(:colours)
        group = group(group) unless group.is_a?(Palette::Group)
        swatch = Palette::Swatch.new(name: Text.name(name), colour:, note: clean(note, 2000), code: clean(code, 80), library: clean(library, 120), **more)
        group.swatches << swatch
        swatch
      end

      # @param place [String, nil]
      # @param excerpt [String, nil] what stands there
      # @return [nil]
      def note(place, words, excerpt = nil)
        if @notes.size < MOST_NOTES then @notes << Note.new(place, words.to_s.scrub[0, LONGEST_NOTE], excerpt&.then { |text| Text.name(text, longest: EXCERPT) })
        else @left += 1
        end
        nil
      end

      # What the block refuses is noted and left out.
      def trying(place, excerpt = nil)
        yield
      rescue Limits::Exceeded
        raise
      rescue Error => error
        note(place, "#{error.message}, left out", excerpt)
        nil
      end

      def count = @groups.each_value.sum { |group| group.swatches.size }

      # @param words [String] what kind of file it is
      # @return [Result]
      def result(words:, name: nil, note: nil, condition: nil, licence: nil, columns: nil)
        @notes << Note.new(nil, "#{Text.thousands(@left)} more like these", nil) if @left > 0
        @notes << Note.new(nil, "there is no colour in it", nil) if count == 0
        name = Text.name(name)
        palette = Palette.new(name: name.empty? ? @source.stem : name, note: clean(note, 2000), condition: clean(condition, 200), licence: clean(licence, 2000), groups: @groups.values)
        Result.new(palette:, notes: @notes, words:, columns:)
      end

      private

      def clean(text, longest) = text && Text.name(text, longest:).then { |cleaned| cleaned unless cleaned.empty? }
    end
  end
end
