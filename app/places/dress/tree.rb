module Places
  module Dress
    # The tree of groups and parts, a group at a time; and what is done to one of them.
    module Tree
      # Of the element that shows what lies in a group.
      def self.id(group) = "tree-#{Digest::SHA256.hexdigest(group)[0, 12]}"

      def self.registered(app)
        app.get("/projects/:project/artworks/:artwork/tree") do
          cache_control :no_store
          groups, searched = GroupsOfParts.new(artwork), param.text(:search).strip
          id, found = if param.given?(:group) then [Tree.id(param.text(:group)), groups.within(param.text(:group))]
          else ["tree", searched.empty? ? groups.within : groups.called(searched)]
          end
          erb :tree, layout: false, locals: {id:, rows: found[0], more: found[1], artwork:}
        end

        app.post("/projects/:project/artworks/:artwork/part-name") do
          group = param.text(:group).presence
          number = param.whole(:number, 0..Magpie::Limits::ELEMENTS) unless group
          of_artwork(Changes::RenamePart, name: param.text(:name), number:, group:)
          touches "changes", "tools", "side", "hand"
          back_to_stage
        end
      end
    end
  end
end
