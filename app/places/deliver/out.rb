module Places
  module Deliver
    # What is chosen about what goes out, and the files.
    module Out
      def self.registered(app)
        app.post("/projects/:project/deliver/what") do
          choices.take("left_out" => left_out.join(",").then { |text| text.empty? ? "0" : text })
          go_back
        end

        app.post("/projects/:project/deliver/as") do
          choices.take("sending" => param.text(:format))
          go_back
        end

        app.post("/projects/:project/deliver/options") do
          choices.take("sending_options" => JSON.generate(Going.options(choices[:sending_options]).merge(param.text(:format) => options)))
          go_back
        end

        app.get("/projects/:project/deliver/file/:name") do
          name, type, bytes = going.download
          download name, type, bytes
        end

        # A picture as it is shown on the page.
        app.get("/projects/:project/deliver/look/:name") do
          part = going.parts.find { |each| each.palette.id == param.id(:of) }
          raise ActiveRecord::RecordNotFound unless part&.sending&.format&.media_type&.start_with?("image/")
          kept_under part.sending.mark
          content_type part.sending.format.media_type
          part.sending.bytes
        end

        app.get("/projects/:project/deliver/artworks/:artwork/:form.svg") do
          artwork = project.artworks.find(param.id(:artwork))
          raise ActiveRecord::RecordNotFound unless %w[linked flat].include?(param[:form])
          download "#{Magpie::Text.slug(artwork.name, "artwork")}-#{param[:form]}.svg", "image/svg+xml", Magpie::Painters::Outgoing.checked(Dressing.new(artwork).public_send(param[:form]))
        end
      end
    end
  end
end
