require_relative "drawing"

# Frames in Dress with a drawing of 5,000 parts: the pointer goes over it, sweeps through
# 200 parts, and a swatch that half of them follow is tried.
module Frames
  module Dress
    PARTS = Bench.many(5_000, 600)

    module_function

    # @return [[Artwork, Swatch]] the swatch is in hand nowhere yet
    def prepared
      project = Changes::StartProject.perform(actor: Actor.new, name: "One large drawing")
      artwork = Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Field.svg", bytes: Bench::Drawing.of(PARTS))
      swatch = Swatch.create!(group: project.groups.first, name: "Ember", colour: Magpie::Notation.parse("#E46F58"), shared: true, position: 1)
      Demo.link(artwork.places.where(hex: Bench::Drawing::COLOURS.each_slice(2).map(&:first)), swatch)
      [artwork, swatch]
    end

    def rows(page, server)
      artwork, swatch = prepared
      address = "http://#{server.host}:#{server.port}/projects/#{artwork.project_id}/dress"
      Frames.visit(page, address, ".rack-chip")
      Frames.rest 2
      page.evaluate("document.querySelector('.rack-chip').click()")
      Frames.rest 2
      page.evaluate(COUNTING)
      room = box(page, "#stage")
      at = ->(across, down) { {x: room[0] + room[2] * across, y: room[1] + room[3] * down} }
      Frames.row "Pointer over 5,000 parts, named", Frames.intervals(page) { MOVES.times { |i| page.mouse.move(**at.call(0.02 + i % 120 / 125.0, 0.1 + i / 300.0)) } }
      page.mouse.move(**at.call(0.01, 0.31)).down
      Frames.row "A sweep over 200 of them", Frames.intervals(page) { MOVES.times { |i| page.mouse.move(**at.call(0.01 + i % 80 / 82.0, 0.31 + i / 80 * 0.0143)) } }
      painted = painted_after_release(page)
      Bench.say("… painted after the release (last frame with a change)", "", "#{painted} ms", "", "")
      Frames.visit(page, "#{address}?mix=#{swatch.id}", "#mix-hsb-0")
      Frames.rest 3
      page.evaluate(COUNTING)
      hue = box(page, "#mix-hsb-0")
      point = ->(part) { {x: hue[0] + 8 + (hue[2] - 16) * part, y: hue[1] + hue[3] / 2} }
      page.mouse.move(**point.call(0.0)).down
      Frames.row "A swatch tried that 2,500 of them follow", Frames.intervals(page) { MOVES.times { |i| page.mouse.move(**point.call((i % 120) / 120.0)) } }
      Frames.row "… work on the page's thread", Frames.work(page) { MOVES.times { |i| page.mouse.move(**point.call((i % 120) / 120.0)) } }
      page.mouse.up
    end

    def box(page, selector) = page.evaluate("(() => { const at = document.querySelector('#{selector}').getBoundingClientRect(); return [at.x, at.y, at.width, at.height] })()")

    # Milliseconds from letting go until the answer is painted.
    def painted_after_release(page)
      page.execute <<~JS
        addEventListener("pointerup", () => { window.released_ = performance.now() }, { once: true, capture: true })
        document.addEventListener("drawing:painted", () => requestAnimationFrame(() => requestAnimationFrame(() => { window.painted_ = performance.now() - released_ })), { once: true })
      JS
      page.mouse.up
      30.times { page.evaluate("window.painted_ ?? null") ? break : sleep(0.1) }
      page.evaluate("Math.round(window.painted_)")
    end
  end
end
