module Page
  # A gradient or pattern of a palette as a CSS background, each ink by its property.
  module Background
    module_function

    # @param compound [Magpie::Palette::Compound] whose references are swatches' ids
    # @return [String]
    def of(compound)
      colours = compound.inks.map { |ink| ink.reference ? Painter.property(ink.reference, ink.colour.hex) : ink.colour.hex }
      one, two = colours
      angle, size = compound.angle + 90, compound.size
      case compound.form
      when "linear" then "linear-gradient(#{angle}deg,#{stops(compound, colours)})"
      when "radial" then "radial-gradient(closest-side,#{stops(compound, colours)})"
      when "stripes" then "repeating-linear-gradient(#{angle}deg,#{stripes(size, colours)})"
      when "dots" then "radial-gradient(circle,#{two} 34%,#{one} 36%) 0 0/#{size}px #{size}px"
      else "repeating-conic-gradient(#{one} 0 25%,#{two} 0 50%) 0 0/#{size}px #{size}px"
      end
    end

    def stops(compound, colours)
      compound.inks.zip(colours).sort_by.with_index { |(ink, _), index| [ink.offset, index] }.map { |ink, text| "#{text} #{(ink.offset * 100).round(1)}%" }.join(",")
    end

    def stripes(size, colours)
      width = size / colours.size.to_f
      colours.each_with_index.map { |colour, index| "#{colour} #{(width * index).round(2)}px #{(width * (index + 1)).round(2)}px" }.join(",")
    end
  end
end
