module Magpie
  # An artwork: a safe SVG in which every painted thing is a part, and every fill,
  # line and gradient stop a place. What a place holds is kept apart from the
  # drawing, so the same drawing can be rendered with any paint.
  class Artwork
    autoload :Compressed, "magpie/artwork/compressed"
    autoload :Document, "magpie/artwork/document"
    autoload :Vocabulary, "magpie/artwork/vocabulary"
    autoload :Safety, "magpie/artwork/safety"
    autoload :Embedded, "magpie/artwork/embedded"
    autoload :Geometry, "magpie/artwork/geometry"
    autoload :Css, "magpie/artwork/css"
    autoload :Grammar, "magpie/artwork/grammar"
    autoload :Element, "magpie/artwork/element"
    autoload :Selector, "magpie/artwork/selector"
    autoload :Rules, "magpie/artwork/rules"
    autoload :Variables, "magpie/artwork/variables"
    autoload :Cascade, "magpie/artwork/cascade"
    autoload :Instances, "magpie/artwork/instances"
    autoload :Identifiers, "magpie/artwork/identifiers"
    autoload :Parts, "magpie/artwork/parts"
    autoload :Renewed, "magpie/artwork/renewed"
    autoload :Counterparts, "magpie/artwork/counterparts"
    autoload :Tree, "magpie/artwork/tree"
    autoload :Lengths, "magpie/artwork/lengths"
    autoload :Affine, "magpie/artwork/affine"
    autoload :Path, "magpie/artwork/path"
    autoload :Shapes, "magpie/artwork/shapes"
    autoload :Texts, "magpie/artwork/texts"
    autoload :Frames, "magpie/artwork/frames"
    autoload :Placing, "magpie/artwork/placing"
    autoload :Tiling, "magpie/artwork/tiling"
    autoload :Gradients, "magpie/artwork/gradients"
    autoload :Ends, "magpie/artwork/ends"
    autoload :Marks, "magpie/artwork/marks"
    autoload :Grain, "magpie/artwork/grain"
    autoload :Lines, "magpie/artwork/lines"
    autoload :Layers, "magpie/artwork/layers"
    autoload :Settings, "magpie/artwork/settings"
    autoload :Opacities, "magpie/artwork/opacities"
    autoload :Linking, "magpie/artwork/linking"
    autoload :Labels, "magpie/artwork/labels"
    autoload :Paint, "magpie/artwork/paint"

    # @!attribute key [String] stays the same when the same file is read again
    # @!attribute kind [Symbol] :part, or :stop for a stop of a gradient in use
    Part = Struct.new(:key, :label, :kind, keyword_init: true)

    # @!attribute part [String] the key of its part
    # @!attribute role [String] "fill", "line" or "stop"
    # @!attribute paint [Paint]
    # @!attribute unsaid [Boolean, nil] the file says nothing of it, and so it is black
    Place = Struct.new(:part, :role, :paint, :unsaid, keyword_init: true)

    # @param bytes [String] an SVG file
    # @param name [String] how the file is called, for messages
    # @param budget [Limits::Budget]
    # @raise [Magpie::Error] when it is no SVG, damaged, too large or a trap
    def self.read(bytes, name: "the file", budget: Limits.drawing)
      document = Document.read(bytes, name, budget)
      parts = parts_of(document, budget, name)
      width, height = document.size
      Safety.forget(document.root)
      Identifiers.mark(document.root)
      new(template: document.template, parts: parts.parts, places: parts.places, dropped: document.dropped.list, width:, height:)
    end

    # Of a drawing that is safe, and without style sheets and uses.
    def self.parts_of(document, budget, name)
      root, dropped = document.root, document.dropped
      Safety.new(root, dropped, budget).clean
      Cascade.new(root, dropped, budget).apply
      Instances.new(root, dropped, budget).expand
      Parts.new(root).tap(&:collect)
    rescue Error => error
      raise error.in(name)
    end
    private_class_method :parts_of

    attr_reader :template, :parts, :places, :dropped, :width, :height

    # @param template [String] the drawing, with marks where paint goes (see Painters)
    # @param dropped [Array<String>] what was left out and where, in words
    # @param width, height [Float] user units
    def initialize(template:, parts:, places:, dropped:, width:, height:)
      @template, @parts, @places, @dropped, @width, @height = template, parts, places, dropped, width, height
    end

    # The colours that its places hold, most used first: [[hex, places], …].
    def colours
      places.filter_map { |place| place.paint.shown&.hex }.tally.sort_by { |hex, count| [-count, hex] }
    end

    # {[part key, role] => Paint}, as painters take them.
    def paints = places.to_h { |place| [[place.part, place.role], place.paint] }
  end
end
