module Places
  module Deliver
    # Deliver: palettes, libraries and artworks out, palettes and libraries in.
    class Application < Frame::Application
      lies_in "deliver"
      helpers Helpers
      register Out, In, Watching, Libraries

      get("/projects/:project/deliver") do
        @page = Page.new(desk, going)
        place_page "deliver", :page
      end
    end
  end
end
