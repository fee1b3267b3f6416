require_relative "dress"

# Frames while the tolerance of a patch is dragged, on a picture of 12 megapixels.
module Frames
  module Fills
    module_function

    def rows(page, server)
      project = Changes::StartProject.perform(actor: Actor.new, name: "A large picture")
      artwork = Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Dusk.jpg", bytes: Bench::Dress.new(nil).wall)
      Frames.visit(page, "http://#{server.host}:#{server.port}/projects/#{project.id}/dress?tool=fill", "#stage")
      Frames.rest 4
      page.evaluate(COUNTING)
      x, y, width, height = Dress.box(page, "#stage")
      page.mouse.move(x: x + width * 0.3, y: y + height * 0.3).down
      Frames.rest 1
      move = -> { MOVES.times { |i| page.mouse.move(x: x + width * 0.3 + (i % 80), y: y + height * 0.3) } }
      Frames.row "The tolerance dragged of a patch of 12 megapixels (#{artwork.name})", Frames.intervals(page, &move)
      Frames.row "… work on the page's thread", Frames.work(page, &move)
      page.keyboard.type(:escape)
      page.mouse.up
    end
  end
end
