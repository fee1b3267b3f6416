module Magpie
  module Formats
    class Cxf < Format
      # What a file says of its objects, as the parser passes over it: nothing else of it is
      # kept. Elements are known by their local names, since prefixes are anybody's.
      class Objects < Nokogiri::XML::SAX::Document
        MODELS = {
          "ColorCIELab" => %w[L A B], "ColorCIELCh" => %w[L C H], "ColorCIEXYZ" => %w[X Y Z], "ColorSRGB" => %w[R G B], "ColorRGB" => %w[R G B],
          "ColorCMYK" => %w[Cyan Magenta Yellow Black]
        }.freeze
        NUMBERS = MODELS.values.flatten.uniq.to_h { |name| [name, true] }.freeze
        TEXTS = %w[Description Creator Comment Illuminant Observer].to_h { |name| [name, true] }.freeze
        LONGEST = 20_000 # characters of one text
        DEEPEST = 64
        BATCH = 32
        # Elements that hold others which we look for.
        HELD = [*MODELS.keys, "Object", "ReflectanceSpectrum", "Tag", "ColorSpecification", "WavelengthRange"].to_h { |name| [name, true] }.freeze

        # @!attribute values [Hash{String => Hash{String => String}}] by element: numbers by name, and
        #   "spec", what they were measured by
        # @!attribute spectrum [Array] text, first wavelength, what it was measured by
        Found = Struct.new(:name, :id, :type, :line, :comment, :values, :spectrum, :tags)
        # @!attribute step, start [String, nil] nm
        Specification = Struct.new(:illuminant, :observer, :start, :step)

        # @return [Array<Found>]
        attr_reader :objects
        # @return [Hash{String => Specification}]
        attr_reader :specifications
        # @return [Hash{String => String}] what the file says of itself
        attr_reader :about
        # @return [Array<[Integer, String]>] line, and what the parser says
        attr_reader :problems

        # @param budget [Limits::Budget]
        def initialize(budget)
          super()
          @budget = budget
          @objects, @specifications, @about, @problems, @depth, @entered = [], {}, {}, [], 0, 0
        end

        # @return [Nokogiri::XML::SAX::ParserContext]
        attr_writer :context

        def start_element_namespace(name, attributes = [], _prefix = nil, _uri = nil, _namespaces = [])
          enter
          return @text = (NUMBERS[name] || TEXTS[name]) && +"" unless HELD[name]
          @text = nil
          case name
          when "Object" then @objects << (@object = Found.new(value(attributes, "Name"), value(attributes, "Id"), value(attributes, "ObjectType"), @context&.line, nil, {}, nil, {}))
          when "ReflectanceSpectrum", "Tag" then of_object(name, attributes)
          when "ColorSpecification" then @specification = (@specifications[value(attributes, "Id")] = Specification.new)
          when "WavelengthRange" then waves(attributes)
          else named(name, attributes)
          end
        end

        def characters(text) = (@text << text if @text && @text.size < LONGEST)

        alias_method :cdata_block, :characters

        def end_element_namespace(name, _prefix = nil, _uri = nil)
          @depth -= 1
          text, @text = @text, nil
          close(name) if HELD[name]
          written(name, text.strip) if text
        end

        def error(message) = (@problems << [@context&.line, message.to_s.strip[0, 200]] if @problems.size < 20)

        private

        def value(attributes, name) = attributes.find { |attribute| attribute.localname == name }&.value

        # Elements are counted a few at a time: there may be a million.
        def enter
          raise Error, "it is nested deeper than #{DEEPEST}" if (@depth += 1) > DEEPEST
          @budget.spend(:elements, BATCH) if ((@entered += 1) % BATCH).zero?
        end

        def named(name, attributes)
          return unless @object
          @model = (@object.values[name] ||= {"spec" => value(attributes, "ColorSpecification")})
        end

        def of_object(name, attributes)
          if name == "Tag" then (@object&.tags || @about)[value(attributes, "Name").to_s[0, 40]] = value(attributes, "Value").to_s
          elsif @object
            @object.spectrum = [nil, value(attributes, "StartWL"), value(attributes, "ColorSpecification")]
            @text = +""
          end
        end

        def waves(attributes)
          return unless @specification
          @specification.start, @specification.step = value(attributes, "StartWL"), value(attributes, "Increment")
        end

        def close(name)
          case name
          when "Object" then @object = nil
          when "ColorSpecification" then @specification = nil
          else @model = nil if MODELS[name]
          end
        end

        def written(name, text)
          if name == "ReflectanceSpectrum" then @object.spectrum[0] = text if @object&.spectrum
          elsif @model && NUMBERS[name] then @model[name] = text
          elsif name == "Illuminant" then @specification&.illuminant = text
          elsif name == "Observer" then @specification&.observer = text
          elsif name == "Comment" && @object then @object.comment = text
          elsif TEXTS[name] && @object.nil? then @about[name] ||= text
          end
        end
      end
    end
  end
end
