module Routes
  # Gather: sources, readings, finds.
  module Gather
    module Helpers
      def source = @source ||= project.sources.find(number(params[:source]))

      # The find that is shown: the one asked for, or what is in hand.
      def shown_find
        id = params[:find] || hand.content&.find_id
        project.finds.includes(:source).find_by(id: number(id))
      end
    end

    def self.registered(app)
      app.helpers Helpers

      app.get("/projects/:project/gather") do
        @sources = project.sources.to_a
        @find = shown_find
        @source = @sources.find { |each| each.id == number(params[:source]) } || @sources.find { |each| each.id == @find&.source_id } || @sources.first
        @find = nil unless @find && @find.source_id == @source&.id
        @pins = @source ? project.finds.where(source: @source).to_a : []
        @find_counts = project.finds.reorder(nil).group(:source_id).count
        place_page "gather", "page"
      end

      app.post("/projects/:project/sources") do
        came, failed = bring_in(Changes::BringInSource)
        sentences = ["Brought in #{Magpie::Text.list(came.map(&:name))}"] if came.any?
        tell_what_came(sentences, failed, came.any? && at("gather", source: came.last.id))
      end

      app.post("/projects/:project/sources/:source/readings") do
        find = Changes::TakeReading.perform(project, source:, x: number(params[:x]), y: number(params[:y]), probe: number(params[:probe]))
        hand.hold(Hand::Content.of_find(find))
        redirect to(at("gather", source: source.id, find: find.id, probe: find.probe)), 303
      end

      app.get("/projects/:project/sources/:source/picture") do
        cache_control :private, :immutable, max_age: 31_536_000
        etag source.sha256
        blob = Blob.find(source.sha256)
        content_type blob.media_type
        blob.bytes
      end

      app.get("/projects/:project/sources/:source/thumbnail") do
        cache_control :private, :immutable, max_age: 31_536_000
        etag "#{source.sha256}-small"
        send_file PictureCache.thumbnail(source.sha256, source.name, 238, 152), type: "image/jpeg"
      end
    end
  end
end
