module Magpie
  class Artwork
    # Custom properties of one element (CSS Custom Properties 1): what it declares, each
    # with what it names put in once, over what it inherits.
    class Variables
      LONGEST = 200 # component values
      DEEPEST = 100 # names on the way

      NONE = {}.freeze

      # @param values [Array<Hash>] component values
      def self.any?(values) = values.any? { |value| (value[:node] == :function && value[:name].casecmp?("var")) || value[:value].is_a?(Array) && any?(value[:value]) }

      # @param declared [Hash{String => Array<Hash>}] component values by name
      # @param inherited [Hash{String => Array<Hash>}] the same, resolved
      # @param budget [Limits::Budget]
      # @return [Hash{String => Array<Hash>}] resolved
      def self.of(declared, inherited, budget) = declared.empty? ? inherited : new(declared, inherited, budget).all

      # @return [Array<Hash>, nil] nil where something is missing, or it grows too long
      def self.put_in(values, known, budget) = new(NONE, known, budget).put_in(values)

      def initialize(declared, inherited, budget)
        @declared, @inherited, @budget = declared, inherited, budget
        @resolved, @open = {}, []
      end

      def all
        @budget.spend(:steps_of_work, @inherited.size)
        @declared.each_key { |name| resolve(name) }
        @inherited.merge(@resolved).compact
      end

      # @return [Array<Hash>, nil]
      def put_in(values)
        @budget.spend(:steps_of_work, values.size)
        put = values.map { |value| put_into(value) }
        return if put.include?(nil)
        put = put.flatten(1)
        put if size(put) <= LONGEST
      end

      private

      def size(values) = values.sum { |value| value[:value].is_a?(Array) ? size(value[:value]) + 1 : 1 }

      # @return [Array<Hash>, nil]
      def put_into(value)
        return [value] unless value[:value].is_a?(Array)
        return variable(value[:value]) if value[:node] == :function && value[:name].casecmp?("var")
        inside = put_in(value[:value]) or return
        [value.merge(value: inside)]
      end

      # var(--name, what holds otherwise)
      def variable(inside)
        name = inside.find { |value| value[:node] != :whitespace }
        return unless name && name[:node] == :ident
        known = resolve(name[:value])
        return known if known
        comma = inside.index { |value| value[:node] == :comma }
        comma && put_in(inside.drop(comma + 1))
      end

      # One that is asked for while it is being put together goes round in a circle, and is
      # nothing.
      def resolve(name)
        return @resolved[name] if @resolved.key?(name)
        values = @declared[name] or return @inherited[name]
        return if @open.include?(name)
        raise Error, "its custom properties name each other more than #{DEEPEST} deep" if @open.size >= DEEPEST
        @open.push(name)
        @resolved[name] = put_in(values)
        @open.pop
        @resolved[name]
      end
    end
  end
end
