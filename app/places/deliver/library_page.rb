module Places
  module Deliver
    # A library: its entries in the order of the chart, so many at a time, those that are
    # searched for, and one that is looked at closely.
    class LibraryPage
      AT_ONCE = 200
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
      def found = @found ||= search.empty? ? size : searched.count

      # Those of this page.
      # @return [Array<Entry>]
      def entries = @entries ||= searched.offset((number - 1) * AT_ONCE).limit(AT_ONCE).to_a

      def pages = [(found / AT_ONCE.to_f).ceil, 1].max

      # Of this page: the one asked for, or that on which the entry lies that is looked at.
      def number = @number ||= (@param.given?(:page) ? @param.number(:page, 1, 1..pages).to_i : page_of_entry).clamp(1, pages)

      # The one that is looked at.
      # @return [Entry, nil]
      def entry = defined?(@entry) ? @entry : @entry = (library.entries.find_by(id: @param.id(:entry)) if @param.given?(:entry))

      # Its neighbours in the chart.
      # @return [[Entry, nil], [Entry, nil]]
      def before = library.entries.where(position: ...entry.position).reverse_order.first

      def after = library.entries.where("position > ?", entry.position).first

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

      # What is there to be said of press values and the like.
      def spectra? = @spectra ||= library.entries.where.not(spectrum: nil).exists?

      def press? = @press ||= library.entries.where.not(inks: nil).exists?

      def chart? = @chart ||= library.entries.where.not(page: nil).or(library.entries.where.not(cell: nil)).exists?

      private

      # By name, code or group; whatever is typed, in any case.
      def searched
        return library.entries if search.empty?
        like = "%#{Entry.sanitize_sql_like(search)}%"
        library.entries.where("name ILIKE :like OR code ILIKE :like OR section ILIKE :like", like:)
      end

      def page_of_entry = entry ? (searched.where(position: ...entry.position).count / AT_ONCE) + 1 : 1
    end
  end
end
