module Places
  module Deliver
    # A library: its entries in the order of the chart, so many at a time, those that are
    # searched for, and one that is looked at closely.
    class LibraryPage
      AT_ONCE = 100
      USES = 60 # swatches that are listed

      # @return [Library]
      attr_reader :library
      # @return [String] what is searched for
      attr_reader :search

      # @param param [Frame::Asked]
      # @param desk [Frame::Desk]
      # @param library [Library]
      def initialize(param, desk, library)
        @param, @desk, @library = param, desk, library
        @search = param.text(:search).strip[0, 200]
      end

      def size = @size ||= library.entries.count

      # Entries that answer the search; all of them where nothing is searched for.
      def found = search.empty? ? size : answering.size

      # Those of this page.
      # @return [Array<Entry>]
      def entries
        @entries ||= begin
          first = (number - 1) * AT_ONCE
          (search.empty? ? library.entries.offset(first).limit(AT_ONCE) : library.entries.among(answering[first, AT_ONCE] || [])).to_a
        end
      end

      def pages = [(found / AT_ONCE.to_f).ceil, 1].max

      # Of this page: the one asked for, or that on which the entry lies that is looked at.
      def number = @number ||= (@param.given?(:page) ? @param.number(:page, 1, 1..pages).to_i : page_of_entry).clamp(1, pages)

      # The one that is looked at.
      # @return [Entry, nil]
      def entry = defined?(@entry) ? @entry : @entry = (library.entries.find_by(id: @param.id(:entry)) if @param.given?(:entry))

      # Its neighbours in the chart.
      # @return [[Entry, nil], [Entry, nil]]
      def before = library.before(entry).reverse_order.first

      def after = library.after(entry).first

      # What is asked for at the side: nil, "add" or "remove".
      def doing = (@param.text(:do) if %w[add remove].include?(@param[:do]))

      # Where its entries are noted: swatches with the palettes that they are in, and the projects
      # that use those.
      # @return [Array<[Palette, Array<Swatch>, Array<Project>]>]
      def uses
        @uses ||= begin
          swatches = Swatch.where(entry_id: library.all_entries.select(:id)).includes(:entry, group: {palette: :projects}).order(:id).limit(USES).to_a
          swatches.group_by { |swatch| swatch.group.palette }.map { |palette, some| [palette, some, palette.projects.to_a] }
        end
      end

      def used = @used ||= Swatch.where(entry_id: library.all_entries.select(:id)).count

      # Swatches that are noted with the entry that is looked at.
      def noted = @noted ||= entry.swatches.includes(group: :palette).order(:id).limit(USES).to_a

      # Columns that the entries of this page ask for.
      def press? = entries.any?(&:inks)

      def chart? = entries.any? { |entry| entry.page || entry.cell }

      # @return [Boolean] was one of this page measured as a spectrum?
      def spectra? = entries.any?(&:spectrum)

      private

      # Those with what is typed in their name, code or group, in any case.
      # @return [Array<Integer>]
      def answering
        @answering ||= begin
          like = "%#{Entry.sanitize_sql_like(search)}%"
          library.entries.where("name ILIKE :like OR code ILIKE :like OR section ILIKE :like", like:).ids
        end
      end

      def page_of_entry
        return 1 unless entry
        before = search.empty? ? library.before(entry).count : answering.index(entry.id).to_i
        before / AT_ONCE + 1
      end
    end
  end
end
