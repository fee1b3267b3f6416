module Places
  module Deliver
    # Libraries: looked through, edited, taken from, removed.
    module Libraries
      def self.registered(app)
        app.get("/projects/:project/deliver/libraries/:library") do
          @page = LibraryPage.new(param, desk, library)
          place_page "deliver", :library
        end

        # The file that it came from, as it came.
        app.get("/projects/:project/deliver/libraries/:library/file") do
          bytes = library.sha256 && Blob.bytes(library.sha256) or raise ActiveRecord::RecordNotFound
          download library.file, "application/octet-stream", bytes
        end

        app.post("/projects/:project/deliver/libraries/:library") do
          edited = Changes::EditLibrary.perform(project, actor:, library:, fields: param.table(:fields), saw: param.table(:saw))
          tell "Saved what is written about #{edited.name}"
          go_on library_at
        end

        app.post("/projects/:project/deliver/libraries/:library/remove") do
          Changes::RemoveLibrary.perform(project, actor:, library:)
          tell "Removed #{library.name}. What is noted with its entries keeps its colours and codes"
          redirect to(at("deliver", what: "libraries")), 303
        end

        app.post("/projects/:project/deliver/libraries/:library/entries") do
          added = Changes::EditEntry.perform(project, actor:, library:, **entry_fields)
          tell "Added #{added.name} to #{library.name}"
          redirect to(library_at(entry: added.id)), 303
        end

        app.post("/projects/:project/deliver/libraries/:library/entries/:entry") do
          edited = Changes::EditEntry.perform(project, actor:, library:, entry:, **entry_fields(entry))
          tell "Saved #{edited.name}"
          go_on library_at(entry: edited.id)
        end

        app.post("/projects/:project/deliver/libraries/:library/entries/:entry/remove") do
          Changes::RemoveEntry.perform(project, actor:, library:, entry:)
          tell "Removed #{entry.name} from #{library.name}"
          redirect to(library_at), 303
        end
      end
    end
  end
end
