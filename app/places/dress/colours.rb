module Places
  module Dress
    # What is done to colours in artworks: strays are linked, or become swatches; one
    # colour is swapped for another.
    module Colours
      SCOPES = {"artwork" => "This artwork", "project" => "Project", "house" => "All of the house"}.freeze

      def self.registered(app)
        app.post("/projects/:project/artworks/:artwork/strays") do
          list = ColourList.new(desk, colour_scope(choices[:colours_of]))
          case param.text(:act)
          when "link" then link_strays(list.artworks, list.within(param.number(:within, ColourList::WITHIN, ColourList::LIMITS)))
          when /\Alink #/ then link_strays(list.artworks, list.strays.select { |stray| stray.near && "link #{stray.hex}" == param.text(:act) })
          when "keep", "keep picked" then keep_strays(list, (param.text(:act) == "keep") ? list.strays.map(&:hex) : strays_of_picked(list))
          else raise Magpie::Error, "#{param.text(:act)[0, 40].inspect} is nothing that can be done to strays"
          end
          back_to_stage
        end

        app.post("/projects/:project/artworks/:artwork/palette") do
          among = param.ids(:among_ids, most: 2000)
          artworks = [*desk.rows.artworks, *desk.rows.colourways.values.flatten].select { |each| among.include?(each.id) }
          swaps = Swaps.read(param.text(:swaps)).transform_values { |to| to.is_a?(String) ? actor.outfit(to[1..]) : actor.swatch(to) }
          change = Changes::SwapPalette.perform(project, actor:, artworks:, swaps:)
          tell "Swapped in #{count(change.swapped, "place")}#{left_outfits(change)}"
          back_to_stage(**%i[do made palette by colour].to_h { |name| [name, nil] })
        end

        app.post("/projects/:project/artworks/:artwork/swap") do
          from = param.text(:from)
          from = from.match?(/\As\d/) ? swatch(Frame::Asked.id(from[1..])) : from
          change = Changes::SwapColour.perform(project, actor:, artworks: colour_scope(param.text(:scope)), from:, content: held)
          tell "Swapped in #{count(change.swapped, "place")}#{left_outfits(change)}"
          back_to_stage(colour: nil)
        end
      end
    end
  end
end
