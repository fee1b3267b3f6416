module Frame
  # What a request asks for. Everything in it is looked at once, at the door: that it is
  # text, of one of the shapes that a form of ours can send, and no longer than it may be.
  # From then on it is asked for by what it should be, and what it is not, it is told.
  class Asked
    BIGINT = 2**63 - 1 # the largest id there can be
    NUMBER = /\A\s*[+-]?(?:\d{1,30}\.?\d{0,30}|\.\d{1,30})(?:[eE][+-]?\d{1,3})?\s*\z/
    WHOLE = /\A\s*[+-]?\d{1,9}\s*\z/

    LONGEST = 10_000 # characters of one text
    LONG = {"ids" => 400_000, "corners" => 100_000, "text" => 100_000, "pairs" => 200_000, "ranks" => 60_000, "turned" => 60_000}.freeze
    # What may be given several times, and how often at most.
    LISTS = {"ticks" => 20_000, "groups" => 2_000, "inks" => 50, "offsets" => 50, "opacities" => 50, "middles" => 50, "notations" => 200, "files" => 200, "among" => 2_000, "palettes" => 200, "uses" => 20}.freeze
    # What may be given by name, and how many names at most.
    TABLES = {"choices" => 20_000, "replace" => 5_000, "swap" => 2_000, "options" => 60, "columns" => 500, "several" => 20, "fields" => 20, "saw" => 20, "about" => 10}.freeze

    # @param params [Hash] of a request
    # @return [Asked]
    # @raise [Magpie::Error] where something has a shape that no form of ours sends
    def self.at_door(params) = new(params).tap { |asked| params.each { |name, value| asked.check(name.to_s, value) } }

    # UTF-8, and nothing that a database cannot keep.
    def self.text?(text) = text.dup.force_encoding(Encoding::UTF_8).valid_encoding? && !text.include?("\0")

    # @param params [Hash]
    def initialize(params) = @params = params

    # @return [String, nil] a text
    def [](name) = @params[name.to_s].then { |value| value if value.is_a?(String) }

    # @return [String] a text, empty where there is none
    def text(name) = self[name].to_s

    # Was it given, whatever it holds?
    def given?(name) = !self[name].nil?

    def on?(name) = self[name] == "1"

    # @return [Integer] 0, which no record has, where it is no number of a record
    def id(name) = Asked.id(text(name))

    # @return [Array<Integer>] of "1,2,3"
    def ids(name, most:) = text(name).split(",").first(most).map { |each| Asked.id(each) }.uniq

    def self.id(text)
      return 0 unless text.match?(/\A\d{1,19}\z/)
      id = Integer(text, 10)
      (id <= BIGINT) ? id : 0
    end

    # @param range [Range] that it must lie in
    # @param usual [Integer, nil] where nothing is given; without one something must be
    # @return [Integer]
    # @raise [Magpie::Error]
    def whole(name, range, usual = nil)
      given = self[name]
      return usual if usual && given.to_s.strip.empty?
      raise Magpie::Error, "#{name} is #{given.to_s[0, 40].inspect}: expected a whole number" unless given.to_s.match?(WHOLE)
      number = Integer(given.strip, 10)
      raise Magpie::Error, "#{name} is #{number}: expected #{range.begin} to #{range.end}" unless range.cover?(number)
      number
    end

    # @param usual [Numeric] where it is no number
    # @param range [Range] that it is brought into
    # @return [Float]
    def number(name, usual, range) = (text(name).match?(NUMBER) ? Float(text(name)) : usual.to_f).clamp(range.begin.to_f, range.end.to_f)

    # @return [Float]
    # @raise [Magpie::Error] where it is no number
    def exactly(name)
      raise Magpie::Error, "#{text(name)[0, 40].inspect} is no number" unless text(name).match?(NUMBER) && Float(text(name)).finite?
      Float(text(name))
    end

    # @return [Array<String>]
    def list(name) = @params[name.to_s].then { |value| value.is_a?(Array) ? value.grep(String) : [] }

    # @return [Hash{String => String}]
    def table(name) = @params[name.to_s].then { |value| value.is_a?(Hash) ? value.to_h.select { |_, each| each.is_a?(String) } : {} }

    # @return [Hash{String => String}] the texts of these names that were given
    def texts(names = @params.keys) = names.map(&:to_s).to_h { |name| [name, self[name]] }.compact

    # Uploaded files.
    # @return [Array<[String, Tempfile]>]
    def files(name) = Array(@params[name.to_s]).grep(Hash).map { |file| [Magpie::Text.name(file[:filename].to_s), file[:tempfile]] }

    # The same with other values.
    def with(**values) = Asked.new(@params.to_h.merge(values.transform_keys(&:to_s)))

    # @raise [Magpie::Error]
    def check(name, value)
      check_text(name, LONGEST, "a name")
      case value
      when nil then nil
      when String then check_text(value, LONG.fetch(name, LONGEST), name)
      when Array then check_list(name, value)
      when Hash then file?(value) ? check_file(name, value) : check_table(name, value)
      else raise Magpie::Error, "#{name[0, 40]} has a shape that no form sends"
      end
    end

    private

    def check_text(text, longest, name)
      raise Magpie::Error, "Something in this address or form is no text: expected UTF-8" unless Asked.text?(text)
      raise Magpie::Error, "#{name[0, 40]} has #{text.size} characters: #{longest} at most" if text.size > longest
    end

    def check_list(name, list)
      most = LISTS[name] or raise Magpie::Error, "#{name[0, 40]} is a list: expected one value"
      raise Magpie::Error, "#{name} has #{list.size} values: #{most} at most" if list.size > most
      list.each do |value|
        next check_file(name, value) if file?(value)
        raise Magpie::Error, "#{name} holds something other than texts" unless value.is_a?(String)
        check_text(value, LONGEST, name)
      end
    end

    def check_table(name, table)
      most = TABLES[name] or raise Magpie::Error, "#{name[0, 40]} has parts: expected one value"
      raise Magpie::Error, "#{name} has #{table.size} values: #{most} at most" if table.size > most
      table.each do |key, value|
        raise Magpie::Error, "#{name} holds something other than texts" unless value.is_a?(String)
        [key.to_s, value].each { |text| check_text(text, LONGEST, name) }
      end
    end

    # What Rack made of a part with a file; a form can only write words in its place.
    def file?(value) = value.is_a?(Hash) && value[:tempfile].respond_to?(:read)

    def check_file(name, file)
      raise Magpie::Error, "#{name[0, 40]} is a file: expected words" unless name == "files"
      check_text(file[:filename].to_s, LONGEST, name)
    end
  end
end
