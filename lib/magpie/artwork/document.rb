require "nokogiri"

module Magpie
  class Artwork
    # Bytes to an XML tree without namespaces, within limits and with no way to the
    # outside: no network, no external DTD, no entity but plain short ones.
    class Document
      LARGEST_BYTES = 10 * 1024 * 1024
      MOST_ATTRIBUTES = 200 # of one element
      DEEPEST = 200
      WRITING = Nokogiri::XML::Node::SaveOptions::AS_XML | Nokogiri::XML::Node::SaveOptions::NO_DECLARATION
      TAG = /\A(?:[^>"']++|"[^"]*+"|'[^']*+')*+/
      SVG = "http://www.w3.org/2000/svg"
      XLINK = "http://www.w3.org/1999/xlink"
      XML = "http://www.w3.org/XML/1998/namespace"

      # From where it begins, and nowhere else.
      DOCTYPE = /\G<!DOCTYPE[^\[>]*+/mi
      LONGEST_SUBSET = 200_000 # characters
      ENTITY = /<!ENTITY\s+([\w.:-]+)\s+(?:"([^"]*)"|'([^']*)')\s*>/m
      MOST_ENTITIES = 100
      LONGEST_ENTITY = 500
      # CSS pixels per unit, CSS Values 4.
      UNITS = {"" => 1.0, "px" => 1.0, "pt" => 96 / 72.0, "pc" => 16.0, "mm" => 96 / 25.4, "cm" => 96 / 2.54, "in" => 96.0, "q" => 96 / 101.6}.freeze

      # What was left out, each line said once with how often and where first.
      class Dropped
        def initialize = @places = Hash.new { |hash, key| hash[key] = [] }

        def add(what, node = nil) = @places[what] << node&.line

        def list
          @places.map do |what, lines|
            where = lines.compact.min
            [("line #{where}: " if where), what, (" (#{lines.size} times)" if lines.size > 1)].join
          end
        end
      end

      # @param budget [Limits::Budget]
      # @raise [Magpie::Error]
      def self.read(bytes, name, budget) = new(bytes, name, budget)

      attr_reader :root, :dropped

      def initialize(bytes, name, budget)
        bytes = Compressed.read(bytes, name, LARGEST_BYTES) if Compressed.is?(bytes)
        @name, @bytes, @budget = name, bytes, budget
        @dropped = Dropped.new
        raise Error, "#{name} is empty" if bytes.strip.empty?
        raise Error, "#{name} has #{bytes.bytesize / 1_048_576} MB, the limit is 10 MB" if bytes.bytesize > LARGEST_BYTES
        @root = parse(without_entities(text(bytes)))
        check_limits
        forget_namespaces
      end

      # [width, height] in user units: the viewBox, or the size in pixels.
      def size
        box = root["viewBox"].to_s.split(/[\s,]+/).map { |number| Float(number, exception: false) }
        return box.last(2) if box.size == 4 && box.all? && box.last(2).all?(&:positive?)
        size = %w[width height].map { |side| length(root[side]) }
        size = painted_size unless size.all? { |side| side&.positive? }
        root["viewBox"] = "0 0 #{size.map { |side| format("%g", side) }.join(" ")}"
        size
      end

      # A drawing that names no size is as large as what it paints.
      def painted_size
        image = Picture::Vips.call(@name) { ::Vips::Image.svgload_buffer(@bytes) }
        [image.width.to_f, image.height.to_f]
      end

      # @return [String]
      # @raise [Magpie::Error]
      def template
        text = Document.write(root)
        @budget.spend(:bytes, text.bytesize)
        text
      rescue Error => error
        raise error.in(@name)
      end

      # @param root [Nokogiri::XML::Element] without namespaces
      # @return [String] SVG
      def self.write(root)
        root.document.encoding = "UTF-8"
        root.xpath("//*[@data-space]").each do |node|
          node.delete("data-space")
          node["xml:space"] = "preserve"
        end
        root.to_xml(save_with: WRITING, encoding: "UTF-8").sub("<svg", %(<svg xmlns="#{SVG}"))
      end

      private

      # The XML declaration may name an encoding; otherwise Text decides.
      def text(bytes)
        declared = bytes.b[/\A(?:\xEF\xBB\xBF)?\s*<\?xml[^>]*encoding=["']([\w-]+)["']/n, 1]
        text = Encoding.find(declared).then { |encoding| bytes.dup.force_encoding(encoding).encode("UTF-8").gsub(/\r\n?/, "\n") } if declared && !declared.match?(/\Autf-?(8|16)\z/i)
        text ||= Text.decode(bytes)
        text.delete_prefix("\uFEFF").sub(/\A\s*<\?xml.*?\?>/m) { |declaration| "\n" * declaration.count("\n") }.delete(Identifiers::MARK)
      rescue Error => error
        raise Error, "#{@name} is not an SVG: #{error.message}"
      rescue EncodingError, ArgumentError
        raise Error, "#{@name} says that it is #{declared}, but its bytes are not"
      end

      def without_entities(text)
        start = text.index(/<!DOCTYPE/i) or return text
        subset, finish = subset_of(text, start)
        raise Error, "#{@name} has a DOCTYPE that does not end, or more than one" if finish.nil? || text.match?(/<!DOCTYPE/i, finish)
        text = text[0...start] + "\n" * text[start...finish].count("\n") + text[finish..]
        return text unless subset.include?("<!ENTITY")
        raise trap_error if subset.size > LONGEST_SUBSET
        entities = plain_entities(subset)
        pattern = Regexp.union(entities.keys.map { |entity| "&#{entity};" })
        raise trap_error if text.scan(pattern).size * LONGEST_ENTITY > LARGEST_BYTES
        dropped.add("#{Text.count(entities.size, "text entity")}, replaced by their text")
        text.gsub(pattern) { |match| entities[match[1..-2]] }
      end

      # What a DOCTYPE declares, and where it ends; each character is looked at once.
      # @return [[String, Integer], nil]
      def subset_of(text, start)
        after = text.match(DOCTYPE, start).end(0)
        return ["", after + 1] if text[after] == ">"
        close = text.match(/\]\s*+>/, after) if text[after] == "["
        [text[after + 1...close.begin(0)], close.end(0)] if close
      end

      def plain_entities(subset)
        entities = subset.scan(ENTITY).to_h { |name, double, single| [name, double || single] }
        plain = entities.values.all? { |value| value.length <= LONGEST_ENTITY && !value.match?(/[&<%]/) }
        raise trap_error unless plain && entities.size.between?(1, MOST_ENTITIES) && subset.scan("<!ENTITY").size == entities.size
        entities
      end

      def trap_error = Error.new("#{@name} declares entities that stand for other entities or for files: that can be a trap, so it is not opened. Save it again without a DOCTYPE")

      def parse(text)
        raise Error, "#{@name} is not an SVG: there is no <svg> in it" unless text.match?(/<([\w-]+:)?svg[\s>\/]/)
        check_count(text)
        broken = Text.broken_comment(text)
        raise Error, "#{@name} is damaged at line #{broken}: a comment holds --" if broken
        document = Nokogiri::XML::Document.parse(text) { |options| options.recover.nonet }
        error = document.errors.find(&:fatal?)
        raise Error, "#{@name} is damaged at line #{error.line}: #{error.message.scrub.sub(/\A[\d:]+ *(FATAL|ERROR): */, "").strip}" if error
        root = document.root
        unless root&.name == "svg" && [nil, SVG].include?(root.namespace&.href)
          raise Error, "#{@name} is not an SVG: #{root ? "it begins with <#{root.name}>" : "it holds no elements"}"
        end
        root
      end

      # Before a tree is made of it. In comments there may be more, though not so many; and
      # the parser compares each attribute of an element with all the others.
      def check_count(text)
        count = 0
        text.scan(/<([^\/!?\s][^<]*)/) do |(tag)|
          found = $~ # where it is takes time to tell, in a text that is not all ASCII
          raise Error, "#{@name} has more than #{Text.thousands(Limits::ELEMENTS)} elements" if (count += 1) > Limits::ELEMENTS * 3
          next unless tag.count("=") > MOST_ATTRIBUTES && tag[TAG].scan(/=\s*["']/).size > MOST_ATTRIBUTES
          raise Error, "#{@name} has an element with more than #{MOST_ATTRIBUTES} attributes at line #{text[0, found.begin(0)].count("\n") + 1}"
        end
      end

      def check_limits
        queue = [[root, 1]]
        while (node, depth = queue.pop)
          @budget.spend(:elements)
          raise Error, "it is nested deeper than #{DEEPEST} at line #{node.line}" if depth > DEEPEST
          node.element_children.each { |child| queue << [child, depth + 1] }
        end
      rescue Error => error
        raise error.in(@name)
      end

      # Elements and attributes of other vocabularies are an editor's own notes and
      # paint nothing; href and space are all that is needed of the two known ones.
      def forget_namespaces
        root.xpath("//*").each do |node|
          next node.unlink if node != root && ![nil, SVG].include?(node.namespace&.href)
          node.attribute_nodes.select(&:namespace).each { |attribute| plain_attribute(node, attribute) }
        end
        root.document.remove_namespaces!
      end

      def plain_attribute(node, attribute)
        value = attribute.value
        name = attribute.node_name
        space = attribute.namespace.href
        attribute.unlink
        node["href"] ||= value if space == XLINK && name == "href"
        node["data-space"] = "preserve" if space == XML && name == "space" && value == "preserve"
        node["data-label"] ||= value if name == "label"
      end

      def length(value)
        number, unit = value.to_s.strip.downcase.match(/\A([+-]?[\d.]+(?:e[+-]?\d+)?)([a-z]*)\z/)&.captures
        Float(number, exception: false)&.*(UNITS[unit]) if number && UNITS[unit]
      end
    end
  end
end
