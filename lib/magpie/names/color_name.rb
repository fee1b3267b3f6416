module Magpie
  # A plain name to start from: the nearest CSS named colour by ΔE00, qualified in
  # plain words where it is not that near. A name is a suggestion.
  module ColorName
    # Closer than this, the name needs no qualifying word (ΔE00).
    NEAR = 5.0
    # The qualified names are built on these, so that none says "deep dark".
    PLAIN = ->(name) { !name.match?(/\A(dark|light|medium|pale|deep|dim|hot) |\A(black|white)\z/) }

    # How far in OKLCH a word is from the named colour: lightness by steps of the
    # scale, chroma by its share.
    LIGHTNESS_STEP = 0.06
    CHROMA_SHARE = 0.4
    # Below this chroma nothing is vivid.
    COLOURFUL = 0.1

    module_function

    # @return [String] such as "Coral" or "Deep coral"
    def suggest(color)
      (name, _), difference = entries.nearest(color)
      unless difference < NEAR
        (name, reference), = plain_entries.nearest(color)
        name = [qualifier(color, reference), name].compact.join(" ")
      end
      name.capitalize
    end

    # A name for each of several, no two alike.
    # @return [Array<String>]
    def suggest_all(colors)
      colors.each_with_object([]) { |color, names| names << unused(suggest(color), names) }
    end

    # The first free one of "Coral", "Coral 2", "Coral 3", …
    # @param taken [Enumerable<String>]
    def unused(name, taken)
      taken = taken.map(&:downcase)
      [name].chain((2..).lazy.map { |n| "#{name} #{n}" }).find { |candidate| !taken.include?(candidate.downcase) }
    end

    def qualifier(color, reference)
      (l, c), (reference_l, reference_c) = [color, reference].map { |each| each.in(:oklch).first(2) }
      return "deep" if l - reference_l < -LIGHTNESS_STEP
      return "pale" if l - reference_l > LIGHTNESS_STEP
      return "greyish" if c < reference_c * (1 - CHROMA_SHARE) && reference_c > COLOURFUL / 2
      "vivid" if c > reference_c * (1 + CHROMA_SHARE) && c > COLOURFUL
    end

    # Names to look up by colour.
    def entries = @entries ||= lookup(CSS_NAMES.reject { |name, _| name.include?("gray") })

    def plain_entries = @plain_entries ||= lookup(CSS_NAMES.select { |name, _| !name.include?("gray") && PLAIN.call(name) })

    def lookup(names) = Library::Nearest.new(names.map { |name, rgb| Color.from_rgb24(rgb).then { |reference| [reference, [name, reference]] } })
  end
end
