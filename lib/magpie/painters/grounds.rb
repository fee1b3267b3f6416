module Magpie
  module Painters
    # Which part each text lies on, as it is drawn: the drawing is rendered twice with a
    # colour of its own for every part, once with its texts and once without. Where a
    # text shows, the second tells what is under it.
    module Grounds
      WIDTH = 640 # px of the rendering

      module_function

      # @param template [String]
      # @param paints [Hash{[key, role] => Paint}]
      # @return [Hash{String => String}] key of a text part => key of the part below
      def of(template, paints)
        tree = Nokogiri::XML(template)
        texts = keys_of_texts(tree).select { |key| visible?(paints[[key, "fill"]]) }
        return {} if texts.empty?
        opaque = without_opacity(tree)
        numbers = paints.keys.map(&:first).uniq.each.with_index(1).to_h
        above, below = [[], texts].map { |hidden| rendered(opaque, paints, numbers, hidden) }
        texts.to_h { |key| [key, numbers.key(most(below[above.eq(numbers[key])].to_a))] }.compact
      end

      def keys_of_texts(tree)
        marks = tree.xpath("//@#{Artwork::Parts::MARK}").select { |mark| Artwork::Vocabulary::TEXTS.include?(mark.parent.name) }
        marks.map { |mark| mark.value.delete_prefix(Artwork::Identifiers::MARK) }.uniq
      end

      # What is faint is there all the same.
      def without_opacity(tree)
        tree.xpath("//@opacity").each { |opacity| opacity.unlink if Artwork::Parts.opacity(opacity.value) > 0 }
        tree.to_xml(save_with: Nokogiri::XML::Node::SaveOptions::AS_XML, encoding: "UTF-8")
      end

      def visible?(paint) = paint && !paint.none? && paint.opacity > 0

      # Part numbers of the pixels; what is no whole part's colour is 0.
      def rendered(template, paints, numbers, hidden)
        flat = Flat.new(template, paints.to_h { |(key, role), paint| [[key, role], numbered(paint, role, numbers[key], hidden.include?(key))] }).to_s
        image = ::Vips::Image.thumbnail_buffer(flat, WIDTH, height: WIDTH * 4)
        image = image.flatten(background: [0, 0, 0]) if image.has_alpha?
        bands = Numo::UInt8.from_binary(image.colourspace(:srgb).extract_band(0, n: 3).cast(:uchar).write_to_memory).reshape(image.width * image.height, 3)
        pixels = bands[true, 0].cast_to(Numo::Int32) * 65_536 + bands[true, 1].cast_to(Numo::Int32) * 256 + bands[true, 2].cast_to(Numo::Int32)
        found = Numo::Int32.zeros(pixels.size)
        numbers.each_value { |number| found[pixels.eq(code(number))] = number }
        found
      end

      def numbered(paint, role, number, hidden)
        return Artwork::Paint.none if hidden || paint.none?
        return paint if role == "stop" || (paint.kind == :server && role == "line")
        Artwork::Paint.new(kind: :plain, colour: Color.from_rgb24(code(number)), opacity: visible?(paint) ? 1.0 : 0.0)
      end

      # Far apart in all three channels, so that no blend of two edges is a third.
      def code(number) = (number * 7_368_787) % 16_777_213 + 1

      def most(numbers) = numbers.reject(&:zero?).tally.max_by(&:last)&.first
    end
  end
end
