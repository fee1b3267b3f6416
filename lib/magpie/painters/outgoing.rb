require "nokogiri"

module Magpie
  module Painters
    # The last look at a drawing that leaves the house: nothing in it may run, or ask for
    # anything that is not in it. What is safe on the way in is safe on the way out; this
    # is the second lock on the door.
    module Outgoing
      ELEMENTS = (Artwork::Vocabulary::ELEMENTS + %w[style]).to_h { |name| [name, true] }.freeze
      ATTRIBUTES = [*Artwork::Vocabulary::PRESENTATION.keys, *Artwork::Vocabulary::GEOMETRY.keys, "style", "class", "href", "space", "data-label"].to_h { |name| [name, true] }.freeze

      # What a value that asks for something has in it, however it is written.
      ADDRESS = /\\|url|src|image|cross-fade|expression|element/i

      module_function

      # @param svg [String]
      # @return [String] the same
      # @raise [Magpie::Error]
      def checked(svg)
        document = Nokogiri::XML(svg) { |options| options.nonet }
        raise Error, "this drawing was not given out: it cannot be read again" if document.errors.any?(&:fatal?)
        css = Artwork::Css.new(Limits.drawing)
        document.xpath("//*").each { |node| check(node, css) }
        svg
      end

      def check(node, css)
        refuse("<#{node.name}>") unless ELEMENTS[node.name]
        node.attribute_nodes.each do |attribute|
          refuse(attribute.name) unless ATTRIBUTES[attribute.name]
          refuse("#{attribute.name} that points outside the file") unless within?(node, attribute, css)
        end
        refuse("a style that points outside the file") if node.name == "style" && css.rules(node.text).any? { |rule| outside?(rule) }
      end

      def within?(node, attribute, css)
        value = attribute.value
        return value.start_with?("#") || node.name == "image" && !Artwork::Embedded.written(value).nil? if attribute.name == "href"
        return css.declarations(value).all? { |declaration| Artwork::Vocabulary::PROPERTIES[declaration.property] && !Artwork::Grammar.outside?(declaration.values) } if attribute.name == "style"
        !value.match?(ADDRESS) || attribute.name == "data-label" || !Artwork::Grammar.outside?(css.values(value))
      end

      # Our own sheet has rules only.
      def outside?(rule)
        return !%i[whitespace comment].include?(rule[:node]) unless rule[:node] == :style_rule
        rule[:children].any? { |node| node[:node] == :property && !ours?(node[:name], node[:children].reject { |value| value[:node] == :whitespace }) }
      end

      # A colour that has a name, or paint by that name.
      def ours?(property, values)
        return values.size == 1 && values[0][:node] == :hash if property.start_with?("--")
        Artwork::Paint::ATTRIBUTES.any? { |_, (paint, _)| paint == property } && !Artwork::Grammar.outside?(values)
      end

      def refuse(what) = raise(Error, "this drawing was not given out: it holds #{what}")
    end
  end
end
