module Places
  module Dress
    # Test patches: laid, moved, taken off.
    module Patches
      SHARE = -1.0..2.0 # a pointer may leave the drawing

      def self.registered(app)
        app.post("/projects/:project/artworks/:artwork/patches") do
          Changes::AddPatch.perform(project, actor:, artwork:, shape: param.text(:shape), word: param.text(:word), content: held, box: %i[left top width height].to_h { |name| [name, param.number(name, 0, SHARE)] })
          touches "changes", "patches"
          back_to_stage
        end

        app.post("/projects/:project/artworks/:artwork/patches/:patch") do
          patch = Patch.find_by!(artwork_id: artwork.drawn_id, id: param.id(:patch))
          if param[:act] == "remove" then Changes::RemovePatch.perform(project, actor:, patch:)
          else Changes::MovePatch.perform(project, actor:, patch:, left: param.number(:left, 0, SHARE), top: param.number(:top, 0, SHARE))
          end
          touches "changes", "patches"
          back_to_stage
        end
      end
    end
  end
end
