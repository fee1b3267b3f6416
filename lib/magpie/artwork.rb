module Magpie
  # An artwork: a safe SVG in which every painted thing is a part, and every fill,
  # line and gradient stop a place. What a place holds is kept apart from the
  # drawing, so the same drawing can be rendered with any paint.
  class Artwork
    autoload :Document, "magpie/artwork/document"
    autoload :Vocabulary, "magpie/artwork/vocabulary"
    autoload :Safety, "magpie/artwork/safety"
    autoload :Cascade, "magpie/artwork/cascade"
    autoload :Instances, "magpie/artwork/instances"
    autoload :Identifiers, "magpie/artwork/identifiers"
    autoload :Parts, "magpie/artwork/parts"
    autoload :Opacities, "magpie/artwork/opacities"
    autoload :Labels, "magpie/artwork/labels"
    autoload :Paint, "magpie/artwork/paint"

    # @!attribute key [String] stays the same when the same file is read again
    # @!attribute kind [Symbol] :part, or :stop for a stop of a gradient in use
    Part = Struct.new(:key, :label, :kind, keyword_init: true)

    # @!attribute part [String] the key of its part
    # @!attribute role [String] "fill", "line" or "stop"
    # @!attribute paint [Paint]
    Place = Struct.new(:part, :role, :paint, keyword_init: true)

    # @param bytes [String] an SVG file
    # @param name [String] how the file is called, for messages
    # @raise [Magpie::Error] when it is no SVG, damaged, too large or a trap
    def self.read(bytes, name: "the file")
      document = Document.read(bytes, name)
      dropped = document.dropped
      root = document.root
      settle(root, dropped, name)
      parts = Parts.new(root)
      parts.collect
      size = document.size
      Identifiers.mark(root)
      new(template: document.template, parts: parts.parts, places: parts.places, dropped: dropped.list, width: size[0], height: size[1])
    end

    # Safe, and without style sheets and uses.
    def self.settle(root, dropped, name)
      Safety.new(root, dropped).clean
      Cascade.new(root, dropped).apply
      Instances.new(root, dropped).expand
    rescue Error => error
      raise error.in(name)
    end
    private_class_method :settle

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
