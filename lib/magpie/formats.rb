module Magpie
  # The files that palettes come in and go out by. Each format is one file in formats/,
  # which defines one class; whatever lists, recognises or writes formats reads what
  # that class declares, so adding a format is adding a file.
  module Formats
    # @!attribute palette [Palette]
    # @!attribute notes [Array<String>] what could not be read, and where
    Result = Struct.new(:palette, :notes)

    LARGEST_BYTES = 10 * 1024 * 1024
    MOST_SWATCHES = 20_000

    # What a format declares, and the four things that it does.
    class Format
      class << self
        # @return [String] what it is called: in addresses, on a page; how its files end
        attr_reader :key, :title, :ending
        # @return [String] what it carries, in words; and of a download
        attr_reader :carries, :media_type

        def declare(key:, title:, ending:, media_type:, carries:)
          @key, @title, @ending, @media_type, @carries = key, title, ending, media_type, carries
        end

        # Tells by content, never by the file's name.
        # @param text [String]
        def recognise?(text) = raise(NotImplementedError)

        # @return [Result]
        # @raise [Magpie::Error] saying where and why
        def read(text, name) = raise(NotImplementedError)

        # What it cannot carry of this palette, in words.
        # @return [Array<String>]
        def losses(palette) = raise(NotImplementedError)

        # @return [String]
        def write(palette) = raise(NotImplementedError)
      end
    end

    FILES = Dir[File.join(__dir__, "formats", "*.rb")].map { |path| File.basename(path, ".rb") }.sort.freeze
    FILES.each { |file| autoload file.split("_").map(&:capitalize).join.to_sym, "magpie/formats/#{file}" }

    module_function

    # @return [Array<Class>] by title
    def all = @all ||= FILES.map { |file| const_get(file.split("_").map(&:capitalize).join) }.sort_by(&:title).freeze

    # @return [Class, nil]
    def find(key) = all.find { |format| format.key == key }

    # @param name [String] how the file is called, for messages
    # @raise [Magpie::Error] saying where and why
    def read(bytes, name: "the file")
      raise Error.new("#{name} is empty", file: name) if bytes.strip.empty?
      raise Error.new("#{name} has #{bytes.bytesize / 1_048_576} MB, the limit is #{LARGEST_BYTES / 1_048_576} MB", file: name) if bytes.bytesize > LARGEST_BYTES
      text = Text.decode(bytes)
      format = all.find { |each| each.recognise?(text) }
      raise Error.new("#{name} is in no format that I read: expected #{all.map { |each| each.title.downcase }.join(", ")}", file: name) unless format
      format.read(text, name)
    rescue Error => error
      raise error.in(name)
    end
  end
end
