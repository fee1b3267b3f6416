require_relative "drawing"

# Frames while a pattern is shifted, turned and scaled that 200 parts of a drawing have, each about
# its own middle; and while a tile is repeated in them, with grain on top.
module Frames
  module Patterns
    PARTS = 200

    module_function

    # @return [Artwork]
    def prepared(name, laid, **settings)
      project = Changes::StartProject.perform(actor: Actor.new, name:)
      artwork = Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Field.svg", bytes: Bench::Drawing.of(PARTS))
      inks = %w[#231F55 #FFCE5C #E46F58 #2F8FA3].map { |hex| Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(hex), offset: 0.0) }
      given = {artwork:, numbers: (0...PARTS).to_a, actor: Actor.new}
      Changes::PaintParts.perform(project, **given, role: "fill", paint: Magpie::Palette::Compound.new(form: "tartan", angle: 30.0, size: 6.0, inks:), laid:)
      Changes::SetSettings.perform(project, **given, settings:) if settings.any?
      artwork
    end

    def rows(page, server)
      {"repeated" => nil, "once, filling" => Magpie::Artwork::Tiling.new(fit: "filling")}.each { |how, laid| drag(page, server, prepared("Patterns #{how}", laid), how) }
      drag(page, server, prepared("Patterns with grain", nil, grain: 0.3, width: 1.0, side: "inside"), "repeated, with grain and lines inside")
    end

    def drag(page, server, artwork, how)
      page.go_to("http://#{server.host}:#{server.port}/projects/#{artwork.project_id}/dress?tool=pick")
      sleep 3
      pick_all(page)
      page.evaluate(COUNTING)
      x, y, = Dress.box(page, "#handles [data-handle=shift]")
      page.mouse.move(x: x + 13, y: y + 13).down
      move = -> { MOVES.times { |i| page.mouse.move(x: x + 13 + (i % 80) / 4.0, y: y + 13 + (i % 80) / 8.0) } }
      Frames.row "A pattern shifted in 200 parts, #{how}", Frames.intervals(page, &move)
      Frames.row "… work on the page's thread", Frames.work(page, &move)
      page.mouse.up
    end

    # With a frame round everything.
    def pick_all(page)
      box = Dress.box(page, ".stage-room")
      page.mouse.move(x: box[0] + 2, y: box[1] + 2).down.move(x: box[0] + box[2] - 2, y: box[1] + box[3] - 2, steps: 8).up
      50.times { page.evaluate("document.querySelector('#handles [data-handle=shift]') !== null") ? break : sleep(0.2) }
    end
  end
end
