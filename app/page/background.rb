module Page
  # A gradient or pattern of a palette as a CSS background, each ink by its property. It lies
  # in a chip as it does in a part where nothing else is said.
  module Background
    module_function

    SMALLEST, LARGEST = 8.0, 30.0 # px of a repeat in a chip

    # @param compound [Magpie::Palette::Compound] whose references are swatches' ids
    # @return [String]
    def of(compound)
      one, two = colours = compound.inks.map { |ink| colour(ink) }
      angle, size = compound.angle + 90, compound.size
      return gradient(compound, colours) if compound.gradient?
      return "url(/tiles/#{compound.form}) 0 0/#{size.clamp(SMALLEST, LARGEST)}px" if compound.tile&.picture
      return pictured(compound) if compound.tile || compound.form != "stripes" && compound.angle % 90 != 0
      case compound.form
      when "stripes" then "repeating-linear-gradient(#{angle}deg,#{stripes(size, colours)})"
      when "dots" then "radial-gradient(circle,#{two} 34%,#{one} 36%) 0 0/#{size}px #{size}px"
      else "repeating-conic-gradient(#{one} 0 25%,#{two} 0 50%) 0 0/#{size}px #{size}px"
      end
    end

    # @param ink [Magpie::Palette::Compound::Ink]
    # @return [String] CSS
    def colour(ink)
      text = ink.reference ? Painter.property(ink.reference, ink.colour.hex) : ink.colour.hex
      (ink.opacity < 1) ? "color-mix(in srgb,#{text} #{(ink.opacity * 100).round(2)}%,transparent)" : text
    end

    # As of one line, from left to right, whatever its form.
    def along(compound) = gradient(compound.with(form: "linear", angle: 0.0), compound.inks.map { |ink| colour(ink) })

    def gradient(compound, colours)
      space, turn = " in #{Magpie::Palette::Compound::SPACES.fetch(compound.mixing)}", compound.angle + 90
      kind, lies = {"linear" => ["linear", "#{turn}deg"], "round" => ["radial", "circle farthest-side"], "radial" => ["radial", "closest-side"], "conic" => ["conic", "from #{turn}deg"]}.fetch(compound.form)
      "#{kind}-gradient(#{lies}#{space},#{stops(compound, colours)})"
    end

    def stops(compound, colours)
      order = compound.order
      order.each_with_index.flat_map { |number, index|
        ink, following = compound.inks.values_at(number, order[index + 1] || number)
        ["#{colours[number]} #{(ink.offset * 100).round(2)}%", ("#{((ink.offset + (following.offset - ink.offset) * ink.middle) * 100).round(2)}%" if !ink.halfway? && following.offset > ink.offset)].compact
      }.join(",")
    end

    # As a picture that fills its room, in the colours of now: nothing in it follows while a
    # colour is tried.
    def pictured(compound)
      shown = compound.with(size: compound.size.clamp(SMALLEST, LARGEST))
      pattern = Magpie::Painters::Tiles.new(shown, Magpie::Painters::Writing.new).to_s("p")
      picture(%(<svg xmlns="http://www.w3.org/2000/svg" width="100%" height="100%">#{pattern}<rect width="100%" height="100%" fill="url(#p)"/></svg>))
    end

    # In quotes that stand in any attribute.
    def picture(svg) = "url('data:image/svg+xml,#{ERB::Util.url_encode(svg)}')"

    # One repeat of a tile, as a picture.
    # @return [String] CSS
    def repeat(compound)
      return "url(/tiles/#{compound.form})" if compound.tile&.picture
      tiles = Magpie::Painters::Tiles.new(compound, Magpie::Painters::Writing.new)
      picture(%(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 #{tiles.width} #{tiles.height}" preserveAspectRatio="none">#{tiles.shown}</svg>))
    end

    def stripes(size, colours)
      width = size / colours.size.to_f
      colours.each_with_index.map { |colour, index| "#{colour} #{(width * index).round(2)}px #{(width * (index + 1)).round(2)}px" }.join(",")
    end
  end
end
