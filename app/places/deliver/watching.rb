module Places
  module Deliver
    # Watch addresses: made, withdrawn, and read by whoever has the key.
    module Watching
      def self.registered(app)
        app.post("/projects/:project/deliver/watch/:palette") do
          palette = project.palettes.find(param.id(:palette))
          Watch.of!(palette)
          tell "#{palette.name} has a watch address now. Whoever has it can read the palette"
          go_back
        end

        app.post("/projects/:project/deliver/watch/:palette/withdraw") do
          palette = project.palettes.find(param.id(:palette))
          Watch.where(palette:).delete_all
          tell "The watch address of #{palette.name} is withdrawn. Nobody can read it any more"
          go_back
        end

        # No session, no project: the key is all that is asked for.
        app.get("/palettes/:name") do
          key, ending = param.text(:name).match(/\A([\w-]{32})(\..{1,20})\z/)&.captures
          watch = Watch.find_by(key:) if key
          format = Magpie::Formats.written.find { |each| each.endings.include?(ending) }
          raise ActiveRecord::RecordNotFound unless watch && format
          chosen = request.GET.slice(*[*format.options, *Magpie::Formats::Prepared::OPTIONS].map(&:key)).select { |_, value| value.is_a?(String) }
          headers "Access-Control-Allow-Origin" => "*", "Cross-Origin-Resource-Policy" => "cross-origin", "Cache-Control" => "no-cache"
          etag Digest::SHA256.hexdigest([watch.mark, ending, chosen.sort, Magpie.edition].inspect)[0, 32]
          content_type format.media_type
          Magpie::Formats::Sending.new(watch.palette.value, format, format.options_of(ending).merge(chosen)).bytes
        end
      end
    end
  end
end
