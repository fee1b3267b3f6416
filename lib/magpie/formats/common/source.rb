module Magpie
  module Formats
    # A file as readers are given it: its bytes, and what is told from them once.
    class Source
      HEAD = 8192 # characters that a format is told by

      attr_reader :bytes, :name

      def initialize(bytes, name)
        @bytes, @name = bytes.b, name
      end

      # @raise [Magpie::Error] where there is nothing in it, or too much
      def check(largest = LARGEST_BYTES)
        raise Error, "it is empty" if @bytes.empty? || @bytes.bytesize < 1000 && @bytes.strip.empty?
        raise Error, "it has #{@bytes.bytesize / 1_048_576} MB, the limit is #{largest / 1_048_576} MB" if @bytes.bytesize > largest
      end

      # @return [String] UTF-8, lines ended by \n
      # @raise [Magpie::Error]
      def text = @text ||= Text.decode(@bytes)

      def text?
        return @is_text unless @is_text.nil?
        @is_text = !text.nil?
      rescue Error => error
        @why = error.message
        @is_text = false
      end

      def why_no_text = text? ? nil : ", since #{@why}"

      # @return [String] the beginning of the text; empty where it is none
      def head = @head ||= text? ? text[0, HEAD] : ""

      # Whole lines from the beginning.
      # @return [Array<String>]
      def first_lines(count = 60)
        lines = head.lines(chomp: true).first(count)
        (lines.size < count && text? && text.size > HEAD && lines.size > 1) ? lines[0..-2] : lines
      end

      # "UTF-8", "UTF-16" or "Latin-1"
      def encoding = Text.encoding(@bytes)

      # What a palette is called that says no name of its own.
      def stem = Text.name(::File.basename(name).sub(/(\.tokens)?\.[A-Za-z0-9]{1,8}\z/i, "")).then { |stem| stem.empty? ? "Palette" : stem }
    end
  end
end
