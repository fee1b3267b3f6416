require "nokogiri"

module Magpie
  class Artwork
    # Which part of a newer file stands for which of an older one: the one of the same
    # identifier; then the one of the same shape, at the same place; then the one that
    # stands at the same place of the drawing's tree, and is the same kind of element.
    class Counterparts
      SHAPE = %w[d points x y x1 y1 x2 y2 cx cy r rx ry width height].freeze
      # Commands of paths and names of transforms, and numbers. Editors write both anew.
      PIECE = /[A-Za-z]+|[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?/

      # @param old, fresh [String] templates of artworks
      def initialize(old, fresh)
        @old, @fresh = [old, fresh].map { |template| marked(template) }
      end

      # @return [Hash{String => String}] keys of the older file by keys of the newer one
      def to_h
        @found, @taken = {}, {}
        match { |key, _| key unless key.include?("/") }
        match { |_, node| shape(node) if node.name != "stop" }
        match { |key, node| [key, node.name] }
        @found
      end

      private

      # {key => element}
      def marked(template)
        Nokogiri::XML(template).xpath("//*[@#{Parts::MARK}]").to_h { |node| [node[Parts::MARK].delete_prefix(Identifiers::MARK), node] }
      end

      # Those that are alike in something, in their order: each once.
      def match
        waiting = Hash.new { |all, value| all[value] = [] }
        @old.each { |key, node| yield(key, node)&.then { |value| waiting[value] << key } unless @taken[key] }
        @fresh.each do |key, node|
          next if @found.key?(key)
          value = yield(key, node)
          old = value && waiting.key?(value) && waiting[value].shift or next
          @found[key], @taken[old] = old, true
        end
      end

      def shape(node) = [node.name, SHAPE.map { |name| pieces(node[name]) }, *transforms(node), (node.text.squeeze(" ").strip if node.name.start_with?("t"))]

      # With those of the groups round it.
      def transforms(node)
        @transforms ||= {}.compare_by_identity
        @transforms[node] ||= (node.parent&.element? ? transforms(node.parent) : []) + [pieces(node["transform"])].compact
      end

      # To a hundredth of a unit.
      def pieces(text) = text&.scan(PIECE)&.map { |piece| piece.match?(/\d/) ? piece.to_f.round(2) : piece }
    end
  end
end
