require_relative "dress_screens"

# What a person does to patterns in Dress, and how they lie then.
module PatternScreens
  def paint(key = "plum_band") = Dressing.new(poster).paints.fetch([key, "fill"])

  def handle_at(kind) = box_of("#handles [data-handle='#{kind}']").then { |box| {x: box["x"] + box["width"] / 2, y: box["y"] + box["height"] / 2} }

  def drag(kind, to)
    drag_over(handle_at(kind), to)
    shown = page.evaluate_script("document.querySelector('#stage-drawing').shadowRoot.querySelector('[data-preview] pattern')?.getAttribute('patternTransform')")
    mouse.up
    settled
    shown
  end

  def by(kind, x, y) = handle_at(kind).then { |point| {x: point[:x] + x, y: point[:y] + y} }

  def axes(key = "plum_band") = (paint(key).laid || Magpie::Artwork::Tiling.new).then { |laid| Magpie::Painters::Tiles.new(paint(key).compound, nil).axes(laid, PartFrames.of(poster.template)[key]) }

  def near(found, expected, within) = expect(found.zip(expected).map { |one, two| (one - two).abs }.max).to(be < within, "#{found} beside #{expected}")

  def with_pattern(*keys) = switched("Pattern", "shift", keys)

  def more(&) = find("#gradient-more").tap { |menu| menu.find("summary").click unless menu["open"] }.then { |menu| within(menu, &) }

  # Fonts are not the drawing's: a page has some that other viewers have not.
  def hide_texts = Changes::SetSettings.perform(demo, actor:, artwork: poster, numbers: poster.parts.where(key: %w[title house]).pluck(:position), settings: {hidden: true})
end
