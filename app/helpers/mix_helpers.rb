# What the Mix sheet shows of a colour.
module MixHelpers
  # Each model's channels: letter, name, lowest, highest, step.
  MODELS = Magpie::Color.by_hand.transform_values { |model| model.scales.map(&:to_a) }.freeze
  LABELS = Magpie::Color.by_hand.transform_values(&:label).freeze
  # Pixels of the slice, as the sheet has room for it.
  SLICE = {width: 270, height: 214}.freeze
  # Models that can name what a screen cannot show.
  WIDE = %i[lab lch oklch].freeze
  # Points of a track that are tried for what the screen shows.
  TRIED = 32
  PLANES = {"chroma_lightness" => "Chroma across, lightness up", "hue_chroma" => "Hue across, chroma up", "a_b" => "a across, b up", "saturation_brightness" => "Saturation across, brightness up"}.freeze
  PANELS = {"reach" => "Reach", "tints" => "Tints", "mix" => "Mix", "between" => "Between", "ramp" => "Ramp", "harmony" => "Harmony", "checks" => "Checks"}.freeze

  # From where to where a slice's axes go, for the browser that drags in it.
  def slice_ranges(plane) = Magpie::Slice::PLANES.fetch(plane.to_sym).then { |each| {across: each.across.last.minmax, up: each.up.last.minmax} }

  # What the sheet works on: a swatch, or what is in hand. nil when it is closed.
  def mixing
    return @mixing if defined?(@mixing)
    @mixing = case params[:mix]
    when nil, "" then nil
    when "hand" then hand.content && Hand::Content.new(**hand.content.to_h, swatch_id: nil)
    else Hand::Content.of_swatch(swatch(params[:mix]))
    end
  end

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

  # What the sheet asks for while something is dragged.
  def mix_answer(colour, plane)
    press = Magpie::Press.usual.proof(colour)
    across, up, held = Magpie::Slice.place(plane, colour)
    {hex: colour.hex, ink: ink(colour), alpha: colour.alpha, inside: colour.in_srgb?, name: Magpie::ColorName.suggest(colour),
     read: LABELS.fetch({srgb: :rgb}.fetch(colour.model, colour.model)) { colour.model.to_s.tr("_", " ") },
     notations: notations(colour).map { |_, label, shown, _| [label, shown] }, channels: channels(colour), ranges: ranges(colour), tracks: ink_tracks(colour),
     press: {inside: press[:inside], words: press_words(press)}, slice: {across:, up:, held: held.round(3)}}
  end

  def press_words(press)
    "#{press[:inside] ? "inside the press's gamut" : "the press prints it with ΔE #{format("%.1f", press[:de2000])}"}, #{press[:total_ink].round} % ink"
  end

  # Of each channel of the wide models, from where to where the screen shows it, in
  # shares of the track; nil where it never does.
  def ranges(colour)
    WIDE.to_h do |model|
      values = colour.in(model)
      [model, MODELS[model].each_with_index.map { |(_, _, low, high, _), index| shown_range(model, values, index, low, high) }]
    end
  end

  def shown_range(model, values, index, low, high)
    shown = (0..TRIED).select do |n|
      tried = values.dup
      tried[index] = low + (high - low) * n / TRIED.to_f
      Magpie::Gamut.srgb?(Magpie::Color.new(model, tried))
    end
    [shown.first, shown.last].map { |n| (n / TRIED.to_f).round(3) } if shown.any?
  end

  # The colours along the four ink tracks; CSS has no press of its own.
  def ink_tracks(colour)
    inks = Magpie::Press.usual.proof(colour)[:inks]
    (0..3).map { |index| (0..4).map { |n| Magpie::Color.new(:cmyk, inks.dup.tap { |each| each[index] = n * 25 }).hex } }
  end

  # The swatches of the whole house that are nearest, whatever project uses them:
  # [[name, palette, colour, ΔE00]]
  def near_swatches(colour, most = 3)
    all = Swatch.joins(group: :palette).order(:id).pluck(Arel.sql("swatches.name"), Arel.sql("palettes.name"), :colour)
    Magpie::Library::Nearest.new(all.map { |row| [row.last, row] }).to(colour, most:).map { |row, difference| [*row, difference] }
  end

  # A number of a panel: what was asked for, within its limits.
  def asked(...) = Panels::Asked.number(params, ...)

  private

  def round_to(value, step) = (value / step).round.then { |n| (step >= 1) ? n * step : (n * step).round(3) }
end
