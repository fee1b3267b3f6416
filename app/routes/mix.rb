module Routes
  # Mix: a colour in all its models, and changing a swatch.
  module Mix
    module Helpers
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
        counts = Place.standing.where(swatch_id:).group(:artwork_id).count
        shown = counts.sort_by { |_, places| -places }.first(most)
        artworks = Artwork.where(id: shown.map(&:first)).index_by(&:id)
        [shown.map { |id, places| [artworks[id], places] }, counts]
      end

      # The numbers that the sliders stand at.
      def channels(colour)
        screen = Magpie::Gamut.to_srgb(colour)
        hue, saturation, brightness = screen.in(:hsb)
        {rgb: screen.rgb255.map(&:round), hsb: [hue.round % 360, saturation.round, brightness.round]}
      end
    end

    def self.registered(app)
      app.helpers Helpers

      # One colour in every form that the sheet shows. The sheet asks while something
      # is dragged; all arithmetic is here.
      app.get("/colour.json") do
        content_type :json
        colour = Magpie::Color.parse(params[:notation])
        JSON.generate(hex: colour.hex, ink: ink(colour), alpha: colour.alpha, inside: colour.in_srgb?, name: Magpie::ColorName.suggest(colour),
          notations: notations(colour).map { |label, shown, _| [label, shown] }, **channels(colour))
      end

      app.post("/projects/:project/swatches/:swatch/change") do
        colour = Magpie::Color.parse(params[:notation])
        changed = Changes::ChangeSwatch.perform(project, swatch: swatch(params[:swatch]), colour:, definition: Magpie::Text.name(params[:notation]), before: params[:before].to_s)
        places = Swatch.reach(changed.id).values.sum
        tell "#{changed.name} is #{changed.hex} now#{", in #{count(places, "place")}" if changed.shared}"
        go_on
      end
    end
  end
end
