module Frames
  # Handles of what paints all parts of an artwork, dragged.
  module Handles
    module_function

    # @param handle [String] "stop 1", "shift"
    # @param what [String] for the table
    def drag(page, server, artwork, handle, what)
      Frames.visit(page, "http://#{server.host}:#{server.port}/projects/#{artwork.project_id}/dress?tool=pick", "#stage")
      Frames.rest 3
      pick_all(page, handle)
      page.evaluate(COUNTING)
      x, y, = Dress.box(page, %(#handles [data-handle="#{handle}"]))
      page.mouse.move(x: x + 13, y: y + 13).down
      move = -> { MOVES.times { |i| page.mouse.move(x: x + 13 + (i % 80) / 4.0, y: y + 13 + (i % 80) / 8.0) } }
      Frames.row what, Frames.intervals(page, &move)
      Frames.row "… work on the page's thread", Frames.work(page, &move)
      page.mouse.up
    end

    # With a frame round everything.
    def pick_all(page, handle)
      box = Dress.box(page, ".stage-room")
      page.mouse.move(x: box[0] + 2, y: box[1] + 2).down.move(x: box[0] + box[2] - 2, y: box[1] + box[3] - 2, steps: 8).up
      50.times { page.evaluate("document.querySelector('#handles [data-handle=\"#{handle}\"]') !== null") ? break : sleep(0.2) }
    end
  end
end
