module Places
  module Deliver
    # Files that come in: looked at first, then brought in.
    module In
      def self.registered(app)
        app.post("/projects/:project/imports") do
          files = uploads(:files)
          raise Magpie::Error, "No file came in. Choose one or more" if files.empty?
          opened, refused = Changes::OpenFile.palettes(project, actor:, files:, before: older_version)
          raise Magpie::Error, refused.first(5).join(". ") if opened.empty?
          tell refused.first(5).join(". "), :wrong if refused.any?
          redirect to(at("deliver/imports/#{opened[0].id}")), 303
        end

        app.post("/projects/:project/imports/text") do
          raise Magpie::Error, "Nothing was pasted. Paste colours in any notation, one or several on a line" if param.text(:text).strip.empty?
          opened, refused = Changes::OpenFile.palettes(project, actor:, files: [["Pasted text", param.text(:text).b]])
          raise Magpie::Error, refused.first if opened.empty?
          redirect to(at("deliver/imports/#{opened[0].id}")), 303
        end

        app.get("/projects/:project/deliver/imports/:import") do
          @page = ImportPage.new(import, desk, param[:into])
          place_page "deliver", :import
        end

        # How it is read: as another format, or with columns that were assigned.
        app.post("/projects/:project/deliver/imports/:import/reading") do
          read_again
          redirect to(at("deliver/imports/#{import.id}")), 303
        end

        app.post("/projects/:project/deliver/imports/:import") do
          target = (param[:into] == "project") ? Changes::StartProject.perform(actor:, name: param[:name], palette: false) : project
          brought = bring_in_import(target)
          tell "Brought #{import.name} into #{brought.name}"
          redirect to(on_from_here(target, brought)), 303
        end

        app.get("/projects/:project/deliver/works/:mark.json") do
          content_type :json
          cache_control :no_store
          JSON.generate(Work.state(param.text(:mark)).then { |done, total| {done: done.to_i, total: total.to_i} })
        end
      end
    end
  end
end
