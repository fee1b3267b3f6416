module Magpie
  # The files that palettes come in and go out by. Each format is one module in
  # formats/ that declares NAME, ENDING and MEDIA_TYPE and answers
  #   recognise?(text)  by content, never by file name
  #   read(text, name)  -> Result
  #   losses(palette)   -> what it cannot carry of this palette, in words
  #   write(palette)    -> String
  module Formats
    autoload :Tokens, "magpie/formats/tokens"

    # @!attribute palette [Palette]
    # @!attribute notes [Array<String>] what could not be read, and where
    Result = Struct.new(:palette, :notes)

    LARGEST_BYTES = 10 * 1024 * 1024
    MOST_SWATCHES = 20_000

    module_function

    def all = [Tokens]

    # @param name [String] how the file is called, for messages
    # @raise [Magpie::Error] saying where and why
    def read(bytes, name: "the file")
      raise Error, "#{name} is empty" if bytes.strip.empty?
      raise Error, "#{name} has #{bytes.bytesize / 1_048_576} MB, the limit is 10 MB" if bytes.bytesize > LARGEST_BYTES
      text = Text.decode(bytes)
      format = all.find { |each| each.recognise?(text) }
      raise Error, "#{name} is in no format that I read: expected #{all.map { |each| each::NAME.downcase }.join(", ")}" unless format
      format.read(text, name)
    rescue Error => error
      raise error.message.start_with?(name) ? error : Error.new("#{name}: #{error.message}")
    end
  end
end
