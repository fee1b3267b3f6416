require_relative "drawing"

# Frames while a stop of a gradient is dragged that 5,000 parts of a drawing have.
module Frames
  module Gradients
    PARTS = 5_000

    module_function

    # @return [Artwork]
    def prepared
      project = Changes::StartProject.perform(actor: Actor.new, name: "Gradients in a large drawing")
      artwork = Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Field.svg", bytes: Bench::Drawing.of(PARTS))
      inks = %w[#231F55 #FFCE5C #E46F58].each_with_index.map { |hex, index| Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(hex), offset: index / 2.0) }
      paint = Magpie::Palette::Compound.new(form: "linear", angle: 30.0, size: 24.0, mixing: "oklab", inks:)
      Changes::PaintParts.perform(project, actor: Actor.new, artwork:, numbers: (0...PARTS).to_a, role: "fill", paint:)
      artwork
    end

    def rows(page, server)
      artwork = prepared
      page.go_to("http://#{server.host}:#{server.port}/projects/#{artwork.project_id}/dress?tool=pick")
      sleep 3
      pick_all(page)
      page.evaluate(COUNTING)
      x, y, = handle(page, "stop 1")
      page.mouse.move(x: x + 13, y: y + 13).down
      move = -> { MOVES.times { |i| page.mouse.move(x: x + 13 + (i % 80) / 4.0, y: y + 13 + (i % 80) / 8.0) } }
      Frames.row "A stop dragged of a gradient that 5,000 parts have", Frames.intervals(page, &move)
      Frames.row "… work on the page's thread", Frames.work(page, &move)
      page.mouse.up
    end

    # With a frame round everything.
    def pick_all(page)
      box = Dress.box(page, ".stage-room")
      page.mouse.move(x: box[0] + 2, y: box[1] + 2).down.move(x: box[0] + box[2] - 2, y: box[1] + box[3] - 2, steps: 8).up
      50.times { page.evaluate("document.querySelector(\"#handles [data-handle='stop 1']\") !== null") ? break : sleep(0.2) }
    end

    def handle(page, name) = Dress.box(page, %(#handles [data-handle="#{name}"]))
  end
end
