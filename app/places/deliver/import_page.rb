module Places
  module Deliver
    # A palette file as it is looked at before anything is brought in.
    class ImportPage
      CHIPS = 400 # of a group
      GROUPS = 60
      ALL_CHIPS = 4_000 # of all that are shown
      NOTES = 200
      MEETINGS = 300
      ARTWORKS = 4

      attr_reader :import, :target

      # @param import [Import]
      # @param desk [Frame::Desk]
      # @param asked [String, nil] where it is to go, as Target takes it; nil proposes somewhere
      # @raise [Magpie::Error]
      def initialize(import, desk, asked = nil)
        @import, @desk, @result = import, desk, Opened.result(import)
        @target = Target.new(import, desk, @result.palette, asked)
      end

      # @return [Palette, Library, nil] what is there already of where it goes
      def into = target.into

      # As it would come in.
      # @return [Magpie::Palette]
      def palette = target.library? ? target.apart : @result.palette

      def size = palette.swatches.size

      # Groups that are shown, and how many of each are.
      # @return [Array<[Magpie::Palette::Group, Array<Magpie::Palette::Swatch>]>]
      def groups
        left = ALL_CHIPS
        palette.groups.first(GROUPS).map { |group| [group, group.swatches.first([CHIPS, left].min).tap { |shown| left -= shown.size }] }
      end

      def more_groups = palette.groups.size - GROUPS

      # What kind of file it is, and how much is in it.
      def words
        left = @result.notes.count { |note| note.words.end_with?("left out") }
        "#{@result.words}. #{count(size, "colour")} in #{count(palette.groups.size, "group")}#{", #{count(left, "thing")} left out" if left > 0}."
      end

      # @return [Import, nil] the version that came in before
      def older = import.older

      # What came in of it.
      # @return [Magpie::Palette, nil] nil where it is no newer version
      def before = newer? ? target.as_there(Opened.result(older).palette) : nil

      # What is there already, and what a newer version changes.
      # @return [Meetings]
      def meetings = @meetings ||= Meetings.new(palette, into, before:)

      def met = meetings.all.first(MEETINGS)

      def more = meetings.all.size - met.size

      # "2 added, 1 changed, 1 gone", against what came in before.
      def changed
        kinds = meetings.all.group_by(&:kind).transform_values(&:size)
        Magpie::Text.list([["added", meetings.added], ["changed", kinds[:name].to_i], ["gone", kinds[:gone].to_i]].reject { |_, number| number == 0 }.map { |word, number| "#{number} #{word}" })
      end

      KINDS = {name: "same name, other value", value: "same value as %s", gone: "not in this version"}.freeze

      def kind(meeting)
        return "changed here since it came in" if meeting.edited
        return "other value in this version" if meeting.kind == :name && newer?
        format(KINDS.fetch(meeting.kind), meeting.ours.name)
      end

      def meeting_words
        number = meetings.all.size
        if newer?
          "#{number} to settle"
        else
          "#{number} #{(number == 1) ? "meets" : "meet"} something that is here already"
        end
      end

      # Where nothing is to be settled.
      def unmet
        same = meetings.same.size
        "Nothing in it meets what #{into.name} has#{" with another value. #{count(same, "colour")} that it has already #{(same == 1) ? "stays" : "stay"} as #{(same == 1) ? "it is" : "they are"}" if same > 0}."
      end

      def newer? = older && older.home == into && !into.nil?

      # Places that follow ours, by swatch.
      def places = @places ||= target.library? ? {} : Reach.of(@desk.actor, met.map { |meeting| meeting.ours.id })

      # Artworks that would show it, most places first; entries of a library are followed by none.
      # @return [Array<Artwork>]
      def artworks
        @artworks ||= target.library? ? [] : Reach.new(@desk.actor, met.select { |meeting| %i[name gone].include?(meeting.kind) }.map { |meeting| meeting.ours.id }, most: ARTWORKS).artworks_shown
      end

      # Swatches that are noted with entries that differ.
      def noted = @noted ||= (target.library? && into) ? Swatch.where(entry_id: meetings.all.map { |meeting| meeting.ours.id }).count : 0

      # The values that swatches would have, as CSS, where theirs are taken to begin with.
      def taken = met.select { |meeting| meeting.kind == :name && meeting.usual == "theirs" }.map { |meeting| "#{meeting.ours.variable}:#{meeting.theirs.colour.hex}" }.join(";")

      def notes = @notes ||= @result.notes + target.notes

      def notes_shown = notes.first(NOTES)

      # @return [Magpie::Formats::Columns, nil] of a table
      def columns = @result.columns

      def readable? = target.library? ? !palette.swatches.all?(&:compound) : size > 0

      # What else the file could be.
      def others = @result.others.filter_map { |key| Magpie::Formats.find(key) }

      # Those that came together with it.
      def together = @together ||= import.together.to_a

      def large? = size > LARGE

      LARGE = 3_000 # colours: long enough to wait for that one wants to know how far it is

      # Those that come in as it is settled to begin with.
      def coming = meetings.added + meetings.all.count { |meeting| meeting.kind != :gone && meeting.usual != "ours" }

      private

      def count(number, word) = Magpie::Text.count(number, word)
    end
  end
end
