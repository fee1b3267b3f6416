module Places
  module Dress
    # Which parts: those that are painted alike, as numbers that a window then picks; and
    # what parts are called.
    module Finding
      def self.registered(app)
        app.get("/projects/:project/artworks/:artwork/alike.json") do
          content_type :json
          cache_control :no_store
          alike, numbers = PartsAlike.new(artwork), picks[1]
          found = if param.given?(:swatch) then alike.of_swatch(param.id(:swatch))
          elsif param.given?(:hex) then alike.of_stray(param.text(:hex))
          elsif param.given?(:outfit) then alike.of_outfit(param.id(:outfit))
          elsif param.on?(:differs) then alike.differing
          elsif param.given?(:near) then alike.near(numbers, param.number(:near, 5, PartsAlike::LIMITS))
          else alike.same(numbers, (param[:role] == "line") ? "line" : "fill")
          end
          JSON.generate(numbers: Numbers.write(found))
        end

        # By their numbers.
        app.get("/projects/:project/artworks/:artwork/labels.json") do
          content_type :json
          cache_control :no_store
          JSON.generate(labels: artwork.parts.reorder(:position).pluck(:label))
        end
      end
    end
  end
end
