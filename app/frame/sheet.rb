module Frame
  # What the Mix sheet shows of a colour, over whatever place it is opened.
  module Sheet
    # Each model's channels: letter, name, lowest, highest, step.
    MODELS = Magpie::Color.by_hand.transform_values { |model| model.scales.map(&:to_a) }.freeze
    LABELS = Magpie::Color.by_hand.transform_values(&:label).freeze
    # Models that can name what a screen cannot show.
    WIDE = %i[lab lch oklch].freeze

    # From where to where a slice's axes go, for the browser that drags in it.
    def slice_ranges(plane) = Magpie::Slice::PLANES.fetch(plane.to_sym).then { |each| {across: each.across.last.minmax, up: each.up.last.minmax} }

    # [[artwork, places]] that follow a swatch, most first, and the number of all.
    def reached(swatch_id, most = 6)
      counts = Place.standing.following(swatch_id).group(:artwork_id).count
      shown = counts.sort_by { |_, places| -places }.first(most)
      artworks = Artwork.where(id: shown.map(&:first)).index_by(&:id)
      [shown.map { |id, places| [artworks[id], places] }, counts]
    end

    # {model => numbers} that the sliders stand at.
    def channels(colour)
      screen = Magpie::Gamut.to_srgb(colour)
      MODELS.to_h do |model, parts|
        values = if model == :rgb
          screen.rgb255
        else
          (WIDE.include?(model) ? colour : screen).in(model)
        end
        values = colour.components if colour.model == model && model != :rgb
        [model, values.zip(parts).map { |value, (*, step)| round_to(value, step) }]
      end
    end

    private

    def round_to(value, step) = (value / step).round.then { |n| (step >= 1) ? n * step : (n * step).round(3) }
  end
end
