require "nokogiri"

module Magpie
  module Formats
    # Colour exchange XML, CxF/X: ISO 17972-1. Objects with names, Lab, spectra and device
    # values. What a palette has besides stands in tags, for which the standard has room.
    class Cxf < Format
      declare key: "cxf", title: "Colour exchange", in_words: "colour exchange XML", endings: [".cxf"], media_type: "application/xml", rank: 45, brief: "no gradients",
        carries: %i[palette_name condition licence names notes groups codes libraries spots shared tints spectra inks pages positions]

      NAMESPACE = "http://colorexchangeformat.com/CxF3-core"
      # What stands in tags, and how they are called.
      TAGS = {"Group" => :group, "Code" => :code, "Library" => :library, "Kind" => :kind, "Page" => :page, "Position" => :position, "Shared" => :shared, "Tint" => :tint, "TintOf" => :tint_of}.freeze

      %w[Objects Reader Writer].each { |name| autoload name.to_sym, "magpie/formats/cxf/#{name.downcase}" }

      class << self
        # @param source [Source]
        def fits(source) = source.head.match?(/\A\s*(?:<\?xml[^>]*>\s*)?(?>(?:<!--.*?-->\s*)*)<(?:\w+:)?CxF[\s>]/m) ? 95 : 0

        # @return [Result]
        def read(source) = Reader.new(source).result

        def write(palette, _options = {}) = Writer.new(palette).text

        def colour(colour, _options) = Color.new(:lab, Rounded.lab(colour))

        def inks(swatch, _chosen) = swatch.inks&.map { |ink| ink.round(3) }

        def text(text, _options = {}) = Text.xml(text)

        def name(name, _options) = Text.xml(name)
      end
    end
  end
end
