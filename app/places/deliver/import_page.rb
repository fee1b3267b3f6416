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

      attr_reader :import

      # @param import [Import]
      # @param into [Palette, nil] where it is to be brought in
      # @param desk [Frame::Desk]
      # @param chosen [Boolean] was it said where it is to go?
      # @raise [Magpie::Error]
      def initialize(import, into, desk, chosen: true)
        @import, @desk, @result = import, desk, Opened.result(import)
        @into = chosen ? into : older&.palette || likely
      end

      # @return [Palette, nil]
      attr_reader :into

      def palette = @result.palette

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

      # What is there already, and what a newer version changes.
      # @return [Meetings]
      def meetings = @meetings ||= Meetings.new(palette, @into, before: (Opened.result(older).palette if older && older.palette_id == @into&.id))

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
        "Nothing in it meets what #{@into.name} has#{" with another value. #{count(same, "colour")} that it has already #{(same == 1) ? "stays" : "stay"} as #{(same == 1) ? "it is" : "they are"}" if same > 0}."
      end

      def newer? = older && older.palette_id == @into&.id

      # Places that follow ours, by swatch.
      def places = @places ||= Reach.of(@desk.actor, met.map { |meeting| meeting.ours.id })

      # Artworks that would show it, most places first.
      # @return [Array<Artwork>]
      def artworks = @artworks ||= Reach.new(@desk.actor, met.select { |meeting| %i[name gone].include?(meeting.kind) }.map { |meeting| meeting.ours.id }, most: ARTWORKS).artworks_shown

      # The values that swatches would have, as CSS, where theirs are taken to begin with.
      def taken = met.select { |meeting| meeting.kind == :name && meeting.usual == "theirs" }.map { |meeting| "#{meeting.ours.variable}:#{meeting.theirs.colour.hex}" }.join(";")

      def notes = @notes ||= @result.notes + twice

      def notes_shown = notes.first(NOTES)

      # @return [Magpie::Formats::Columns, nil] of a table
      def columns = @result.columns

      def readable? = size > 0

      # What else the file could be.
      def others = @result.others.filter_map { |key| Magpie::Formats.find(key) }

      # Those that came together with it.
      def together = @together ||= import.together.to_a

      def large? = size > LARGE

      LARGE = 3_000 # colours: long enough to wait for that one wants to know how far it is

      # Those that come in as it is settled to begin with.
      def coming = meetings.added + meetings.all.count { |meeting| meeting.kind != :gone && meeting.usual != "ours" }

      private

      # The palette that has most of its groups.
      def likely
        names = palette.groups.map { |group| group.name.downcase }
        best = @desk.palettes.max_by { |each| (each.groups.map { |group| group.name.downcase } & names).size }
        best if best&.groups&.any? { |group| names.include?(group.name.downcase) }
      end

      def count(number, word) = Magpie::Text.count(number, word)

      # Two of one name in a group: the second is called otherwise when it comes in.
      def twice
        alike = palette.groups.sum { |group| group.swatches.map { |swatch| swatch.name.downcase }.reject(&:empty?).tally.sum { |_, times| times - 1 } }
        (alike > 0) ? [Magpie::Formats::Note.new(nil, "#{count(alike, "name")} that a group has already: a number is put behind", nil)] : []
      end
    end
  end
end
