module Magpie
  module Painters
    # Self-standing, following custom properties; what does not know them shows the
    # plain colour beside them. A custom property holds an opaque colour: the opacity
    # stands once, in the attribute that everybody reads.
    class Linked < Flat
      # How a swatch is called in the file.
      Name = Struct.new(:slug, :text) do
        def variable = "--#{slug}"
      end

      # @param names [Hash{Object => Name}] by what paints refer to
      def initialize(template, paints, names:, frames: nil)
        @names = names
        super(template, paints, frames:)
      end

      private

      def writing = LinkedWriting.new(@names)

      def attributes(key)
        classes = ROLES.filter_map { |role| linked(@paints[[key, role]])&.then { |name| "#{role}-#{name.slug}" } }
        super + (classes.empty? ? "" : %( class="#{classes.join(" ")}"))
      end

      def linked(paint) = (paint&.kind == :plain && paint.reference) ? @names.fetch(paint.reference) : nil

      def sheet
        used = @paints.values.filter_map { |paint| linked(paint)&.then { |name| [name, paint.colour] } }.to_h.merge(@servers.writing.used)
        return "" if used.empty?
        variables = used.map { |name, colour| "#{name.variable}:#{colour.with(alpha: 1).hex}; /* #{name.text.gsub(/[<>&*]/, "")} */" }
        rules = used.keys.flat_map { |name| Artwork::Paint::ATTRIBUTES.map { |role, (property, _)| ".#{role}-#{name.slug}{#{property}:var(#{name.variable})}" } }
        "<style>\n:root{\n#{variables.join("\n")}\n}\n#{rules.join("\n")}\n</style>"
      end
    end
  end
end
