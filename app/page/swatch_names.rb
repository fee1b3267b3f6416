module Page
  # CSS names for the swatches of one exported artwork.
  module SwatchNames
    module_function

    # @param swatches [Enumerable<Swatch>]
    # @return [Hash{Integer => Magpie::Painters::Linked::Name}] by the swatch's id
    def of(swatches)
      taken = Set.new
      swatches.to_h do |swatch|
        slug = Magpie::Text.slug(swatch.name, "swatch")
        slug = "#{slug}-#{swatch.id}" unless taken.add?(slug)
        [swatch.id, Magpie::Painters::Linked::Name.new(slug, swatch.name)]
      end
    end
  end
end
