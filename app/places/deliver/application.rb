module Places
  module Deliver
    # Deliver: palettes and artworks out, palettes in.
    class Application < Frame::Application
      lies_in "deliver"
      helpers Helpers

      get("/projects/:project/deliver") do
        @page = Page.new(desk)
        place_page "deliver", :page
      end

      get("/projects/:project/deliver/palettes/:palette/:format") do
        format = Magpie::Formats.find(param[:format]) or raise ActiveRecord::RecordNotFound
        palette = project.palettes.find(param.id(:palette))
        download "#{Magpie::Text.slug(palette.name, "palette")}#{format.ending}", format.media_type, Magpie::Formats::Sending.new(palette.value, format).bytes
      end

      get("/projects/:project/deliver/artworks/:artwork/:form.svg") do
        artwork = project.artworks.find(param.id(:artwork))
        body = case param[:form]
        when "linked" then Dressing.new(artwork).linked
        when "flat" then Dressing.new(artwork).flat
        else raise ActiveRecord::RecordNotFound
        end
        download "#{Magpie::Text.slug(artwork.name, "artwork")}-#{param[:form]}.svg", "image/svg+xml", Magpie::Painters::Outgoing.checked(body)
      end

      post("/projects/:project/imports") do
        name, bytes = uploads(:files).first
        raise Magpie::Error, "No file came in. Choose a file: #{Magpie::Formats.all.map(&:ending).join(", ")}" unless name
        redirect to(at("deliver/imports/#{Changes::OpenFile.palette(project, actor:, name:, bytes:).id}")), 303
      end

      get("/projects/:project/deliver/imports/:import") do
        @page = ImportPage.new(import, into)
        place_page "deliver", :import
      end

      post("/projects/:project/deliver/imports/:import") do
        target = (param[:into] == "project") ? Changes::StartProject.perform(actor:, name: param[:name], palette: false) : project
        choices = param.table(:choices).select { |_, choice| Changes::BringInPalette::CHOICES.key?(choice) }
        brought = Changes::BringInPalette.perform(target, actor:, value: import.result.palette, into:, choices:)
        tell "Brought #{count(import.result.palette.swatches.size, "swatch")} into #{brought.name}"
        redirect to("/projects/#{target.id}/palettes"), 303
      end
    end
  end
end
