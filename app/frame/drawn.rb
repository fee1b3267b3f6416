require "cgi"

module Frame
  # Artworks as a page shows them: as a drawing whose paints follow their swatches while
  # one works, or as a picture that the server made.
  class Drawn
    # Parts of all drawings together that may follow what is tried, frame by frame.
    LIGHT = 600

    # @param artworks [Array<Artwork>]
    # @param desk [Desk]
    def initialize(artworks, desk)
      @artworks, @desk = artworks, desk
    end

    # @return [Look]
    def look(artwork) = looks.fetch(artwork.id)

    # What moves while a swatch is tried.
    # @return [String] HTML
    def moving(artwork) = light? ? drawing(artwork) : picture(artwork, moves: true)

    # Its drawing has an address of its own, which changes with it; paints come after it.
    # @param swaps [String, nil] which swatches it would follow, see Places::Dress::Swaps
    # @return [String] HTML
    def drawing(artwork, swaps: nil, **attributes)
      element("div", class: "drawing-root", **attributes, data_artwork: artwork.id, data_drawing: "/artworks/#{artwork.drawn_id}/drawing.svg?v=#{artwork.template[0, 16]}", data_paints: "/artworks/#{artwork.id}/paints.json", data_swaps: swaps,
        data_mark: look(artwork).mark, data_follows: look(artwork).follows.join(","), style: "--ratio:#{artwork.ratio}#{strange(artwork)}") + "</div>"
    end

    # As a press prints it.
    # @param condition [Condition]
    # @param paper [Boolean] on the paper's own white?
    # @return [String] HTML
    def printed(artwork, condition = @desk.project.press, paper: @desk.choices[:paper] == "on", **attributes)
      version = "#{look(artwork).key[0, 8]}-#{condition.press.key[0, 8]}"
      element("img", class: "drawn", src: "/artworks/#{artwork.id}/printed.png?condition=#{condition.id}#{"&paper=1" if paper}&v=#{version}", alt: "#{artwork.name}, as printed on #{condition.name}", style: "--ratio:#{artwork.ratio}", **attributes)
    end

    # @param moves [Boolean] is it made anew for what is tried?
    # @param swaps [String, nil] as above
    # @return [String] HTML
    def picture(artwork, moves: false, swaps: nil)
      address = "/artworks/#{artwork.id}/small.png?v=#{look(artwork).key[0, 8]}#{"&swaps=#{swaps}" if swaps.present?}"
      element("img", class: "drawn", src: address, alt: artwork.name, title: artwork.name, loading: "lazy", decoding: "async", style: "--ratio:#{artwork.ratio}", data_moves: (look(artwork).follows.join(",") if moves))
    end

    private

    def light? = @artworks.sum(&:part_count) <= LIGHT

    def looks = @looks ||= Look.of(@artworks)

    # The values of swatches that it follows and the page does not show.
    def strange(artwork) = look(artwork).follows.filter_map { |id| ";#{strangers[id].variable}:#{strangers[id].hex}" if strangers.key?(id) }.join

    # Those of all of them, asked for once.
    # @return [Hash{Integer => Chip}]
    def strangers
      @strangers ||= (looks.values.flat_map(&:follows).uniq - @desk.shown_chips.map(&:id)).then { |ids| ids.any? ? Chip.of(ids) : {} }
    end

    def element(name, **attributes)
      "<#{name}#{attributes.compact.map { |key, value| %( #{key.to_s.tr("_", "-")}="#{CGI.escapeHTML(value.to_s)}") }.join}>"
    end
  end
end
