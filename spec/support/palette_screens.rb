require_relative "screens"

# What a person does in Palettes.
module PaletteScreens
  def named(name) = Swatch.joins(group: :palette).find_by!(name:, palettes: {starter: false})

  def chip(name) = find("[data-chip='#{named(name).id}']")

  # Boxes are asked for by selector in one go, since a page that follows a change may
  # have put another element there meanwhile.
  def at(name) = "[data-chip='#{named(name).id}']"

  def middle(selector) = box_of(selector).then { |box| {x: box["x"] + box["width"] / 2, y: box["y"] + box["height"] / 3} }

  # Clicks chips as a person does who holds a key.
  def click_chip(name, modifiers = 0) = mouse.click(**middle(at(name)), modifiers:)

  CTRL, SHIFT = 2, 8

  def select_chips(first, *others)
    chip(first).click
    expect(page).to have_css(".side h1", text: first)
    others.each { |name| click_chip(name, CTRL) }
    expect(page).to have_content("#{others.size + 1} #{others.empty? ? "swatch" : "swatches"} selected")
  end

  def drag(from, to)
    mouse.move(**from)
    mouse.down
    mouse.move(x: from[:x] + 9, y: from[:y] + 3)
    mouse.move(**to, steps: 6)
    yield if block_given?
    mouse.up
  end

  def look_at(view)
    find(".views label", text: view).click
    expect(page).to have_css(".palettes[data-view='#{view.downcase}']")
  end

  def run_of(group) = all("[data-group-name='#{group}'] [data-slot]").map { |cell| cell.text.lines.first.to_s.strip }

  # Moves a slider, and lets it go; of a page that has come, as with the pointer.
  def slide(name, value)
    slide_along(name, value)
    find("#shift-#{name}").execute_script("this.dispatchEvent(new Event('change', { bubbles: true }))")
  end

  # Without letting it go.
  def slide_along(name, value)
    settled.find("#shift-#{name}").execute_script("this.value = arguments[0]; this.dispatchEvent(new Event('input', { bubbles: true }))", value)
  end

  def variable(swatch) = page.evaluate_script("document.querySelector('#app').style.getPropertyValue('#{swatch.variable}')")
end
