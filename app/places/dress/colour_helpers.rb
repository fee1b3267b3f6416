module Places
  module Dress
    # What routes about colours ask for.
    module ColourHelpers
      # @return [Array<Artwork>]
      # @raise [Magpie::Error]
      def colour_scope(name)
        case name
        when "artwork" then [artwork]
        when "project" then desk.rows.artworks + desk.rows.colourways.values.flatten
        when "house" then actor.artworks.where(removed_at: nil).order(:id).to_a
        else raise Magpie::Error, "#{name[0, 40].inspect} is nowhere that colours are looked for"
        end
      end

      # @param strays [Array<ColourList::Stray>]
      def link_strays(artworks, strays)
        links = strays.to_h { |stray| [stray.hex, actor.swatch(stray.near.id)] }
        change = Changes::LinkStrays.perform(project, actor:, artworks:, links:)
        tell "Linked #{count(change.linked, "place")}. #{(change.linked == 1) ? "It follows its swatch" : "They follow their swatches"} from now on#{left_outfits(change)}"
      end

      # What was worn where a colour gave way to another.
      def left_outfits(change) = (change.left_outfits == 0) ? "" : ". #{count(change.left_outfits, "place")} left an outfit for it; the outfit stays as it is"

      def keep_strays(list, hexes)
        palette = palettes.find { |each| each.id == param.id(:palette) } || desk.palette_for_groups
        change = Changes::KeepStrays.perform(project, actor:, artworks: list.artworks, hexes:, palette:, name: param.text(:name))
        tell "Made #{count(change.group.swatches.size, "shared swatch")} in #{change.group.name}, and linked what holds their colours#{left_outfits(change)}"
      end

      # @return [Array<String>] hexes of the strays that picked parts hold
      def strays_of_picked(list)
        held = artwork.places_of(picks[1]).where.not(hex: nil).distinct.pluck(:hex)
        list.strays.map(&:hex) & held
      end

      # Where the person was, with other parameters.
      def back_to_stage(**changed)
        path, query = came_from&.start_with?(at("dress")) ? came_from.split("?", 2) : [at("dress"), "artwork=#{artwork.id}"]
        asked = Rack::Utils.parse_query(query.to_s).reject { |name, _| name.include?("[") }.transform_keys(&:to_sym).merge(changed).compact
        redirect to("#{path}#{"?#{Rack::Utils.build_query(asked)}" unless asked.empty?}"), 303
      end
    end
  end
end
