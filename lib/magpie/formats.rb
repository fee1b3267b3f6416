module Magpie
  # The files that palettes come in and go out by. Each format is one file in formats/,
  # which defines one class; whatever lists, recognises, reads or writes formats asks what
  # that class declares, so adding a format is adding a file. What several of them need
  # lies in formats/common/.
  module Formats
    LARGEST_BYTES = 64 * 1024 * 1024
    MOST_SWATCHES = 100_000
    MOST_NOTES = 1_000

    # @!attribute place [String, nil] a line, a byte, a path
    # @!attribute words [String] what became of what
    # @!attribute excerpt [String, nil] what stands there
    Note = Struct.new(:place, :words, :excerpt) do
      def to_s = [place, words].compact.join(": ")
    end

    # What came of a file.
    # @!attribute palette [Palette]
    # @!attribute notes [Array<Note>] what could not be read, and where; what was told from what
    # @!attribute format [String] the key of the format that it was read as
    # @!attribute words [String] what kind of file it is: "A table in UTF-8, recognised by its headings"
    # @!attribute others [Array<String>] keys of formats that would fit too
    # @!attribute columns [Columns, nil] of a table
    Result = Struct.new(:palette, :notes, :format, :words, :others, :columns, keyword_init: true)

    %w[Format Option Source Builder Columns Numbers Rounded Carried Losses Prepared Sending Strip Archive].each do |name|
      autoload name.to_sym, "magpie/formats/common/#{name.downcase}"
    end

    FILES = Dir[File.join(__dir__, "formats", "*.rb")].map { |path| File.basename(path, ".rb") }.sort.freeze
    CONSTANTS = FILES.to_h { |file| [file, file.split("_").map(&:capitalize).join.to_sym] }.freeze
    CONSTANTS.each { |file, constant| autoload constant, "magpie/formats/#{file}" }

    module_function

    # @return [Array<Class>] by title
    def all = @all ||= CONSTANTS.values.map { |constant| const_get(constant) }.sort_by(&:rank).freeze

    # @return [Array<Class>] those that are written
    def written = all.select(&:writes?)

    # @return [Class, nil]
    def find(key) = all.find { |format| format.key == key }

    # @param path [String] of a file that is to be written
    # @return [Class, nil] the one whose files end like that
    def by_ending(path)
      name = path.b.downcase
      written.select { |format| format.endings.any? { |ending| name.end_with?(ending) } }.max_by { |format| format.endings.map { |ending| name.end_with?(ending) ? ending.size : 0 }.max }
    end

    # Told by content. Two may fit: a picture with a palette, a table of plain rows.
    # @param source [Source]
    # @return [Array<Class>] the best first
    def fitting(source)
      all.map { |format| [format.fits(source), format] }.select { |score, _| score > 0 }.sort_by.with_index { |(score, _), index| [-score, index] }.map(&:last)
    end

    # @param name [String] how the file is called, for messages, and for a palette without a name
    # @param as [String, nil] key of the format to read it as, where several fit
    # @param columns [Hash{Integer => String}, nil] of a table, by hand, see Columns
    # @return [Result]
    # @raise [Magpie::Error] saying where and why
    def read(bytes, name: "the file", as: nil, columns: nil)
      source = Source.new(bytes, name)
      source.check
      fitting = fitting(source)
      format = as ? find(as) : fitting.first
      raise Error, unknown(source) unless format&.reads?
      result = read_as(format, source, columns)
      result = otherwise(result, fitting, source) if as.nil? && result.palette.swatches.empty? && result.columns.nil?
      result.others = fitting.map(&:key) - [result.format]
      result
    rescue Error => error
      raise error.message.start_with?(name) ? error : error.in(name)
    end

    def read_as(format, source, columns = nil)
      source.check(format.largest)
      result = (columns && format == Table) ? format.read(source, columns:) : format.read(source)
      result.format = format.key
      result
    end

    # Where there is no colour in the best, the next that finds one.
    # @return [Result]
    def otherwise(result, fitting, source)
      fitting.drop(1).each do |format|
        other = read_as(format, source)
        next if other.palette.swatches.empty?
        other.notes.unshift(Note.new(nil, "read as #{format.in_words}, since it has no colour as #{find(result.format).in_words}", nil))
        return other
      rescue Error
        next
      end
      result
    end
    private_class_method :read_as, :otherwise

    def unknown(source)
      return "it is in no format that I read: expected #{all.select(&:reads?).map(&:in_words).join(", ")}" if source.text?
      "it is in no format that I read, and no text either#{source.why_no_text}: expected #{all.select(&:reads?).map(&:in_words).join(", ")}"
    end
  end
end
