require "crass"

module Magpie
  class Artwork
    # CSS text to trees (CSS Syntax 3), by Crass, within limits. Everything that is read
    # of a style sheet or style attribute is read of these trees, so that a quote or an
    # escape cannot mean one thing here and another elsewhere.
    class Css
      # A property with its value as component values.
      # @!attribute property [String] in lower case, but for custom properties
      # @!attribute values [Array<Hash>] component values, as Crass names them
      Declaration = Struct.new(:property, :values, :important)

      DEEPEST = 32 # brackets in brackets
      OPENING = {"(": 1, "[": 1, "{": 1, function: 1, ")": -1, "]": -1, "}": -1}.freeze
      # Crass raises ten to the power of it.
      EXPONENT = /(?<![#\w.])[+-]?[\d.]+[eE][+-]?0*[1-9]\d{2,}/
      # What can be cut at ; and : without a tree.
      PLAIN = /\A(?!.*--)[\w\s#%.,:;+-]*\z/m

      # @param tokens [Array<Hash>] what is separated by commas
      # @return [Array<Array<Hash>>]
      def self.split(tokens) = tokens.slice_when { |before, _| before[:node] == :comma }.map { |part| part.reject { |token| token[:node] == :comma } }

      def initialize(budget)
        @budget = budget
        @values = {}
      end

      # @param text [String] a style sheet, or what stands in an @media
      # @return [Array<Hash>] rules and at-rules
      # @raise [Magpie::Error]
      def rules(text) = Crass.parse(checked(text))

      # @param text [String] a style attribute
      # @return [Array<Declaration>]
      # @raise [Magpie::Error]
      def declarations(text)
        return plain(text) if text.match?(PLAIN)
        of_nodes(Crass.parse_properties(checked(text)))
      end

      # @param nodes [Array<Hash>] what stands in a rule
      # @return [Array<Declaration>]
      def of_nodes(nodes)
        nodes.filter_map do |node|
          next unless node[:node] == :property
          Declaration.new(named(node[:name]), node[:children], node[:important])
        end
      end

      # @param text [String] the value of one property, as an attribute holds it
      # @return [Array<Hash>] component values; none where it is more than a value
      def values(text)
        @values[text] ||= begin
          nodes = Crass.parse_properties("v:#{checked(text)}").reject { |node| node[:node] == :whitespace }
          (nodes.size == 1 && nodes[0][:node] == :property && !nodes[0][:important]) ? nodes[0][:children] : []
        end
      end

      private

      # Nearly all style attributes of real drawings, at a fifth of the time.
      def plain(text)
        text.split(";").filter_map do |declaration|
          name, value, more = declaration.split(":", 3)
          next if value.nil? || more
          name.strip!
          Declaration.new(named(name), values(value.strip), false) if name.match?(/\A-?[a-zA-Z_-][\w-]*\z/)
        end
      end

      def named(name) = name.start_with?("--") ? name : name.downcase

      # Crass calls itself for each bracket, and counts characters one by one where there
      # are others than ASCII, for which an escape stands just as well.
      def checked(text)
        @budget.spend(:characters_of_style, text.size)
        raise Error, "its style sheets hold the number #{text[EXPONENT]}" if text.match?(EXPONENT)
        text = text.gsub(/[^\x00-\x7F]/) { |character| "\\#{character.ord.to_s(16)} " } unless text.ascii_only?
        check_depth(text) if text.count("([{") > DEEPEST
        text
      end

      def check_depth(text)
        depth = 0
        Crass::Tokenizer.tokenize(text).each do |token|
          depth = [depth + OPENING.fetch(token[:node], 0), 0].max
          raise Error, "its style sheets have brackets nested deeper than #{DEEPEST}" if depth > DEEPEST
        end
      end
    end
  end
end
