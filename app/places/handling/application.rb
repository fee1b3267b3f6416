module Places
  module Handling
    # The hand: holding, swapping, keeping, and what was chosen. It is at hand in every
    # place, so it answers none of their pages.
    class Application < Frame::Application
      lies_in "handling"

      post("/projects/:project/hand") do
        content = if param[:swatch] then Hand::Content.of_swatch(swatch)
        elsif param[:find] then Hand::Content.of_find(project.finds.find(param.id(:find)))
        elsif param[:entry] then Hand::Content.of_entry(actor.entries.find(param.id(:entry)))
        else
          colour = notation
          Hand::Content.new(name: Magpie::ColorName.suggest(colour), colour:)
        end
        take_in_hand content
        touches "rack", "hand", *("side" if came_from.to_s.include?("colour=")) if param[:stay] == "dress" && param[:to] == came_from
        go_on unless param[:stay] == "palettes"
        touches "side", "hand"
        redirect to(at("palettes", swatch: content.swatch_id, open: param[:open].presence, side: param[:side])), 303
      end

      post("/projects/:project/hand/swap") do
        hand.swap(actor.window)
        go_back
      end

      post("/projects/:project/keep") do
        content = held
        keep_held(group_to_keep_in("Choose a group to keep it in"), content, name: param[:name])
        go_back
      end

      post("/projects/:project/choices") do
        choices.take(param.texts)
        touches "tools", "hand" if param[:target]
        touches "side" if param[:colours_of]
        touches "hand" if param[:stepping] || param[:carrying]
        go_on
      end
    end
  end
end
