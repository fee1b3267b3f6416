require_relative "drawing"
require_relative "handle_frames"

# Frames while a pattern is shifted, turned and scaled that 200 parts of a drawing have, each about
# its own middle; and while a tile is repeated in them, with grain on top.
module Frames
  module Patterns
    PARTS = Bench.many(200, 8)

    module_function

    # @return [Artwork]
    def prepared(name, laid, **settings)
      project = Changes::StartProject.perform(actor: Actor.new, name:)
      artwork = Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Field.svg", bytes: Bench::Drawing.of(PARTS))
      inks = %w[#231F55 #FFCE5C #E46F58 #2F8FA3].map { |hex| Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(hex), offset: 0.0) }
      given = {artwork:, numbers: (0...PARTS).to_a, actor: Actor.new}
      Changes::PaintParts.perform(project, **given, role: "fill", paint: Magpie::Palette::Compound.new(form: "tartan", angle: 30.0, size: 6.0, inks:), laid:)
      Changes::SetSettings.perform(project, **given, settings:) if settings.any?
      artwork
    end

    def rows(page, server)
      drag = ->(artwork, how) { Handles.drag(page, server, artwork, "shift", "A pattern shifted in 200 parts, #{how}") }
      {"repeated" => nil, "once, filling" => Magpie::Artwork::Tiling.new(fit: "filling")}.each { |how, laid| drag.call(prepared("Patterns #{how}", laid), how) }
      drag.call(prepared("Patterns with grain", nil, grain: 0.3, width: 1.0, side: "inside"), "repeated, with grain and lines inside")
    end
  end
end
