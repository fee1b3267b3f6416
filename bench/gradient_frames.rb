require_relative "drawing"
require_relative "handle_frames"

# Frames while a stop of a gradient is dragged that 5,000 parts of a drawing have.
module Frames
  module Gradients
    PARTS = Bench.many(5_000, 60)

    module_function

    # @return [Artwork]
    def prepared
      project = Changes::StartProject.perform(actor: Actor.new, name: "Gradients in a large drawing")
      artwork = Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Field.svg", bytes: Bench::Drawing.of(PARTS))
      inks = %w[#231F55 #FFCE5C #E46F58].each_with_index.map { |hex, index| Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(hex), offset: index / 2.0) }
      paint = Magpie::Palette::Compound.new(form: "linear", angle: 30.0, size: 24.0, mixing: "oklab", inks:)
      Changes::PaintParts.perform(project, actor: Actor.new, artwork:, numbers: (0...PARTS).to_a, role: "fill", paint:)
      artwork
    end

    def rows(page, server) = Handles.drag(page, server, prepared, "stop 1", "A stop dragged of a gradient that 5,000 parts have")
  end
end
