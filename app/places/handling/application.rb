module Places
  module Handling
    # The hand: holding, swapping, keeping.
    class Application < Frame::Application
      lies_in "handling"
      post("/projects/:project/hand") do
        content = if params[:swatch] then Hand::Content.of_swatch(swatch(params[:swatch]))
        elsif params[:find] then Hand::Content.of_find(project.finds.find(number(params[:find])))
        else
          colour = notation
          Hand::Content.new(name: Magpie::ColorName.suggest(colour), colour:)
        end
        hand.hold(content)
        params[:stay] ? redirect(to(at("palettes", swatch: content.swatch_id, open: params[:open].presence, side: params[:side])), 303) : go_on
      end

      post("/projects/:project/hand/swap") do
        hand.swap
        go_back
      end

      post("/projects/:project/keep") do
        content = held
        group = groups.find { |each| each.id == number(params[:group]) } or raise Magpie::Error, "Choose a group to keep it in"
        session[:group] = group.id
        find = project.finds.find_by(id: content.find_id) if content.find_id
        kept = Changes::KeepColour.perform(project, actor:, group:, name: params[:name], colour: content.colour, find:)
        hand.hold(Hand::Content.of_swatch(kept))
        tell "Kept #{kept.name} in #{group.name}"
        go_back
      end
    end
  end
end
