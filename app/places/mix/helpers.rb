module Places
  module Mix
    # What the sheet asks for.
    module Helpers
      # Pixels of the slice, as the sheet has room for it.
      SLICE = {width: 270, height: 214}.freeze
      # Points of a track that are tried for what the screen shows.
      TRIED = 32

      def plane = Frame::Choices::PLANES.key?(param.text(:plane)) ? param[:plane].to_sym : :chroma_lightness

      # What the sheet asks for while something is dragged.
      def mix_answer(colour, plane)
        press = Magpie::Press.usual.proof(colour)
        across, up, held = Magpie::Slice.place(plane, colour)
        {hex: colour.hex, ink: ink(colour), alpha: colour.alpha, inside: colour.in_srgb?, name: Magpie::ColorName.suggest(colour),
         read: Frame::Sheet::LABELS.fetch({srgb: :rgb}.fetch(colour.model, colour.model)) { colour.model.to_s.tr("_", " ") },
         notations: notations(colour).map { |_, label, shown, _| [label, shown] }, channels: Frame::Sheet.channels(colour), ranges: ranges(colour), tracks: ink_tracks(colour),
         press: {inside: press.inside?, words: press_words(press)}, slice: {across:, up:, held: held.round(3)}}
      end

      def press_words(press)
        "#{press.inside? ? "inside the press's gamut" : "the press prints it with ΔE #{format("%.1f", press.de2000)}"}, #{press.total_ink.round} % ink"
      end

      # Of each channel of the wide models, from where to where the screen shows it, in
      # shares of the track; nil where it never does.
      def ranges(colour)
        Frame::Sheet::WIDE.to_h do |model|
          values = colour.in(model)
          [model, Frame::Sheet::MODELS[model].each_with_index.map { |(_, _, low, high, _), index| shown_range(model, values, index, low, high) }]
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
        inks = Magpie::Press.usual.proof(colour).inks
        (0..3).map { |index| (0..4).map { |n| Magpie::Color.new(:cmyk, inks.dup.tap { |each| each[index] = n * 25 }).hex } }
      end
    end
  end
end
