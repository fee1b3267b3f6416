module Places
  module Dress
    # Pictures in an artwork, and patches of them that are filled.
    module Fills
      PLACES = -1_000_000.0..1_000_000.0 # in units of a drawing
      PARTS = 0..Magpie::Limits::ELEMENTS

      def self.registered(app)
        app.get("/pictures/:sha256") do
          raise ActiveRecord::RecordNotFound unless param.text(:sha256).match?(/\A\h{64}\z/)
          cache_control :private, :immutable, max_age: 31_536_000
          type, bytes = ::Pictures.shown(param.text(:sha256))
          content_type type
          bytes
        end

        # What would be filled, while one chooses.
        app.get("/projects/:project/artworks/:artwork/like.json") do
          content_type :json
          drawing = Drawings.of(artwork.template)
          layer, at = param.given?(:part) ? Fills.of_patch(artwork, drawing, param.whole(:part, PARTS)) : Fills.under(drawing, param)
          found = Magpie::Picture::Fill.sketch(::Pictures.of(layer.sha256), Magpie::Picture::Fill::Aim.new(**at, **filling.aim), small: ::Pictures.thinned(layer.sha256))
          JSON.generate(outline: found.outline, matrix: layer.matrix.to_s, share: (found.share * 100).round(1))
        end

        app.post("/projects/:project/artworks/:artwork/fills") do
          how = filling
          choices.take("filling" => how.to_s)
          made = Changes::FillPicture.perform(project, actor:, artwork:, points: Fills.points(param.text(:points)), aim: how.aim, content: given, opacity: how.opacity / 100, settings: {blend: how.way})
          tell "Filled #{count(made.parts.size, "patch")}#{", as many as at once" if made.parts.size == Changes::FillPicture::PATCHES}" if made.parts.size > 1
          back_to_stage
        end

        app.post("/projects/:project/artworks/:artwork/fills/:part") do
          number = param.whole(:part, PARTS)
          case (act = param.text(:act))
          when "adjust" then Changes::AdjustFill.perform(project, actor:, artwork:, number:, aim: filling.aim)
          when "remove" then Changes::RemoveFills.perform(project, actor:, artwork:, numbers: [number])
          else raise Magpie::Error, "#{act[0, 40].inspect} is nothing that can be done to a patch"
          end
          back_to_stage
        end

        app.post("/projects/:project/artworks/:artwork/layers/remove") do
          Changes::RemoveLayer.perform(project, actor:, artwork:, sha256: param.text(:sha256))
          back_to_stage
        end

        app.post("/projects/:project/artworks/:artwork/layers") do
          name, bytes = uploads(:files).first
          raise Magpie::Error, "No picture came in. Choose one" unless name
          Changes::AddLayer.perform(project, actor:, artwork:, name:, bytes:, at: param.text(:at))
          tell "Laid #{name} #{param.text(:at)} #{artwork.name}. Fill colours patches of it"
          back_to_stage
        end
      end

      # @return [[Magpie::Artwork::Layers::Layer, Hash]] the picture that lies there, and its px
      # @raise [Magpie::Error]
      def self.under(drawing, param)
        layer, (x, y) = Magpie::Artwork::Layers.under(drawing, param.number(:x, 0, PLACES), param.number(:y, 0, PLACES))
        layer ? [layer, {x:, y:}] : raise(Magpie::Error, "No picture lies there")
      end

      # The same of where a patch was looked for.
      def self.of_patch(artwork, drawing, number)
        layer, aim = Magpie::Artwork::Layers.of_fill(drawing, artwork.parts.find_by(position: number)&.key)
        layer ? [layer, aim.slice(:x, :y)] : raise(Magpie::Error, "That is no patch of a picture")
      end

      # @param text [String] JSON: [[x, y], …] in units of the drawing
      # @raise [Magpie::Error]
      def self.points(text)
        found = JSON.parse(text)
        raise Magpie::Error, "Nothing was pointed at" unless found.is_a?(Array) && found.any?
        found.first(Changes::FillPicture::MOST).map { |x, y| [Float(x), Float(y)] }
      rescue JSON::ParserError, TypeError, ArgumentError
        raise Magpie::Error, "The places that were pointed at cannot be read. Nothing was done"
      end
    end
  end
end
