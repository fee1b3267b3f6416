module Page
  # Gradients and patterns on a page: what follows a swatch is its property, so that it
  # follows while a colour is tried; and so is what lies between two stops, mixed by the
  # browser as the core mixes. Each stop says in the place of which of the
  # paint's own it lies, or between which.
  class InkWriting < Magpie::Painters::Writing
    # A property carries the swatch's own opacity.
    def ink(name, opacity, ink) = ink.reference ? followed(name, opacity, ink, ink.opacity) : super

    def step(name, opacity, step, compound)
      from, to = compound.inks.values_at(step.from, step.to)
      at = step.ink? ? %( data-at="#{step.at}") : %( data-between="#{step.from} #{step.to} #{Magpie::Notation::Forms.short(step.share, 5)}")
      return super + at unless from.reference || to.reference
      return followed(name, opacity, from, share_of(step, from)) + at if step.ink? && from.reference
      return super + at if step.ink? || compound.mixing == "srgb" && uneven?(from, to)
      %( #{name}="color-mix(in #{Magpie::Palette::Compound::SPACES.fetch(compound.mixing)},#{text(from)},#{text(to)} #{Magpie::Notation::Forms.short(step.share * 100, 3)}%)") + at
    end

    # Where the part lies, in which it lies: whoever drags it lays it out anew.
    def laid(used) = %( data-frame="#{used.frame.box.map { |value| Magpie::Artwork::Affine.short(value) }.join(" ")}")

    # Browsers keep pictures.
    def picture(image, form) = image.sub(/ href="[^"]*"/, %( href="/tiles/#{form}"))

    # Between which inks its edges lie, and where: what stands for the ends of the turn is x.
    def sector(sector) = %( data-sector="#{sector.between.map { |ink| ink || "x" }.join(" ")} #{sector.places.map { |place| Magpie::Notation::Forms.short(place, 5) }.join(" ")}")

    private

    def followed(name, opacity, ink, value) = %( #{name}="#{property(ink)}"#{share(opacity, value)})

    def property(ink) = "var(#{Painter.variable(ink.reference)})"

    # What is clear beside it has its colour.
    def share_of(step, ink) = ink.colour.alpha.zero? ? 0.0 : (step.colour.alpha / ink.colour.alpha).clamp(0.0, 1.0)

    # SVG mixes opacities apart from colours, and CSS does not.
    def uneven?(from, to) = (from.shown.alpha - to.shown.alpha).abs > 1e-6

    def text(ink)
      colour = ink.reference ? property(ink) : ink.colour.hex
      (ink.opacity < 1) ? "color-mix(in srgb,#{colour} #{Magpie::Notation::Forms.short(ink.opacity * 100, 3)}%,transparent)" : colour
    end
  end
end
