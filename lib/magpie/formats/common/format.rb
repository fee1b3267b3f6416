module Magpie
  module Formats
    # What a format declares, and what it does. A subclass has #fits and #read where it is
    # read, #write where it is written.
    class Format
      class << self
        # @return [String] what it is called: in addresses and a shell, on a page
        attr_reader :key, :title
        # @return [String] the same in the middle of a sentence
        attr_reader :in_words
        # @return [Array<String>] how its files end, the usual one first; what a download says
        attr_reader :endings, :media_type
        # @return [String] what it leaves behind, in a few words; shown beside its title
        attr_reader :brief
        # @return [Integer] its place among the others
        attr_reader :rank
        # @return [Integer] bytes of the largest file of it
        attr_reader :largest
        # @return [Array<Option>]
        attr_reader :options

        # @param carries [Array<Symbol>] of Carried::FEATURES
        def declare(key:, title:, endings:, rank:, media_type: nil, in_words: title[0].downcase + title[1..], brief: nil, carries: nil, options: [], largest: LARGEST_BYTES)
          @key, @title, @in_words, @endings, @media_type, @brief, @rank, @largest = key, title, in_words, endings, media_type, brief, rank, largest
          @carries, @options = carries, options
        end

        def ending = endings.first

        def reads? = method(:read).owner != Format.singleton_class

        def writes? = method(:write).owner != Format.singleton_class

        # How surely it is one, told by content, never by the file's name.
        # @param source [Source]
        # @return [Integer] 0, not at all, to 100
        def fits(source) = 0

        # @return [Result] palette, notes and words of it
        # @raise [Magpie::Error] saying where and why
        def read(source) = raise(NotImplementedError)

        # @param palette [Palette] prepared, see Sending
        # @param options [Hash{String => String, Integer}]
        # @return [String] bytes
        def write(palette, options = {}) = raise(NotImplementedError)

        # What of a palette a file of it holds.
        # @return [Array<Symbol>] of Carried::FEATURES
        def carries(_options = {}) = @carries

        # How a file that is written so ends.
        # @return [String]
        def ending_for(_options) = ending

        # What the ending of a file to be written says of its options.
        # @return [Hash{String => String}]
        def options_of(_path) = {}

        # What is left of a colour, as it is read again.
        # @return [Color]
        def colour(colour, _options) = colour

        # What is left of a name.
        # @return [String]
        def name(name, _options) = name

        # What is left of press values.
        # @param swatch [Palette::Swatch]
        # @return [Array<Float>, nil]
        def inks(swatch, _chosen) = swatch.inks

        # What lies beyond the ends of a gradient.
        def extent(compound) = compound.extent

        # Stops in their order, as they are read again.
        def stops(inks) = inks

        # What is left of a note.
        # @return [String]
        def text(text, _options) = text

        # What is read again of what is written. By this the losses are told, and the specs
        # hold every format to it.
        # @param palette [Palette]
        # @return [Palette]
        def carried(palette, options) = Carried.new(self, options).of(palette)
      end
    end
  end
end
