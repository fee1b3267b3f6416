module Magpie
  class Artwork
    # One selector of a style sheet (Selectors 4), matched from its right end: what stands
    # there is found by an index, and what stands before it is asked of parents and
    # siblings, each question answered once for each element.
    class Selector
      autoload :Reading, "magpie/artwork/selector/reading"

      # One element's conditions.
      # @!attribute tests [Array<Proc>] of an Element
      Compound = Struct.new(:type, :id, :classes, :tests) do
        def match?(element)
          (type.nil? || type == element.name) && (id.nil? || id == element.id) && (classes - element.classes).empty? && tests.all? { |test| test.call(element) }
        end
      end

      # Another kind of selector than these is left out, and said.
      class Unknown < StandardError; end

      # @param tokens [Array<Hash>] of Crass, without commas at the top
      # @return [Selector]
      # @raise [Unknown]
      def self.read(tokens) = Reading.new(tokens).selector

      # @return [Array<Integer>] identifiers, classes and the like, types
      attr_reader :specificity

      # @param compounds [Array<Compound>] from right to left
      # @param ways [Array<String>] what stands between them: " ", ">", "+" or "~"
      def initialize(compounds, ways, specificity)
        @compounds, @ways, @specificity = compounds, ways, specificity
        @known = {}
      end

      # What an index finds its elements by.
      # @return [[Symbol, String]]
      def key
        last = @compounds.first
        return [:id, last.id] if last.id
        return [:class, last.classes.first] if last.classes.any?
        last.type ? [:type, last.type] : [:all, nil]
      end

      # Does it depend on type and classes only, so that elements alike are alike to it?
      def plain? = @compounds.size == 1 && @compounds[0].id.nil? && @compounds[0].tests.empty?

      # @param element [Element]
      # @param budget [Limits::Budget]
      def match?(element, budget, from = 0)
        budget.spend(:steps_of_work)
        return false unless @compounds[from].match?(element)
        from == @ways.size || follow?(element, budget, from)
      end

      private

      def follow?(element, budget, from)
        case @ways[from]
        when ">" then element.parent && match?(element.parent, budget, from + 1)
        when "+" then element.before && match?(element.before, budget, from + 1)
        when "~" then any?(element, :before, budget, from)
        else any?(element, :parent, budget, from)
        end
      end

      # Is one of those on the way such? Answers are kept for all that are passed.
      def any?(element, way, budget, from)
        known = (@known[from] ||= {}.compare_by_identity)
        passed = []
        found = nil
        while element
          found = known[element]
          break unless found.nil?
          passed << element
          element = element.public_send(way)
          break found = true if element && match?(element, budget, from + 1)
        end
        passed.each { |each| known[each] = found || false }
        found || false
      end
    end
  end
end
