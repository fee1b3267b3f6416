module Places
  module Dress
    # Dress: artworks, parts, and what they hold.
    class Application < Frame::Application
      lies_in "dress"
      locks_first
      helpers Helpers, ColourHelpers
      register Drawn, Finding, Colours, Colourways, Artworks, Tree, Patches, Reading, Tiles, Fills

      get("/projects/:project/dress") do
        @page = Page.new(desk, param, picks)
        place_page "dress", :page
      end

      # Found once, and kept.
      get("/projects/:project/dress/main-colours") do
        found = desk.rows.sources.to_h do |source|
          [source, MainColours.new(Seen.new(source), choices.main_colours).to_a.map(&:colour)]
        rescue Magpie::Error
          [source, []]
        end
        erb :main_colours, layout: false, locals: {found:}
      end

      # Colourways in all the window, for a client in the room.
      get("/projects/:project/artworks/:artwork/show") do
        @page = Page.new(desk, param, [0, []])
        raise ActiveRecord::RecordNotFound unless @page.artwork == artwork
        erb :show, layout: false
      end

      post("/projects/:project/default") do
        given = swatch unless param.text(:swatch).empty?
        Changes::SetDefault.perform(project, actor:, swatch: given)
        tell given ? "Parts that come in without a fill follow #{given.name} from now on" : "Parts that come in without a fill are black, as their files have it"
        go_back
      end

      post("/projects/:project/artworks") do
        came, failed, before = bring_in(Changes::BringInArtwork, there: ->(sha256) { project.artworks.firsts.find_by(original: sha256) })
        last = (came.last || before.last)&.id
        tell_what_came([*what_came(came), *what_was_there(before)], failed, last && at("dress", artwork: last))
      end

      # What is done to parts: they are given what is in hand or a swatch, are cleared, and so on.
      post("/projects/:project/artworks/:artwork/dress") do
        words = Acting.new(desk, artwork, Numbers.read(param.text(:parts)), param).perform(param.text(:act)) { given }
        tell words if words
        # The root of the page holds the values of swatches, and of a tint that comes.
        everywhere = param.text(:act).match?(/\A(?:tint\z|outfit-)/) || param.given?(:stop_tint) || param.text(:act).end_with?("-keep") || (param.text(:act).match?(/\A(?:step|gradient)-/) && choices[:stepping] == "swatch")
        touches "changes", "tools", "told", "side", "hand", *("rack" if param[:swatch] || param[:find]), *family_parts unless everywhere
        redirect to(came_from&.start_with?(at("dress")) ? came_from : at("dress", artwork: artwork.id)), 303
      end
    end
  end
end
