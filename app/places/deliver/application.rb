module Places
  module Deliver
    # Deliver: palettes and artworks out, palettes in.
    class Application < Frame::Application
      lies_in "deliver"
      helpers Helpers
      register Out, In, Watching

      get("/projects/:project/deliver") do
        @page = Page.new(desk, ids)
        place_page "deliver", :page
      end
    end
  end
end
