require "vips"

# Whether one sees where the focus is: the window is looked at with and without.
module FocusPixels
  AROUND = 10 # CSS pixels beside a control that its ring may take
  CONTRAST = 3 # WCAG 2.2, 2.4.13: between a pixel with and without focus
  ENOUGH = 60 # pixels that differ by so much: less than a ring round the smallest control

  # One control of each kind and state that lies in the window, kept in the page as a list.
  KINDS = <<~JS
    (() => {
      const kinds = new Map(), inside = box => box.width > 0 && box.left >= 0 && box.top >= 0 && box.right <= innerWidth && box.bottom <= innerHeight
      for (const stop of document.querySelectorAll("a[href], button, input:not([type=hidden]), select, textarea, summary, [tabindex]")) {
        if (stop.disabled || stop.matches("main, .skips a, #practice") || stop.closest("dialog:not([open])") || !stop.checkVisibility({ visibilityProperty: true })) continue
        const shown = stop.closest("label:has(> input[type=file], > input[type=radio])") ?? stop, box = shown.getBoundingClientRect()
        const middle = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2)
        if (!inside(box) || !(shown.contains(middle) || middle?.contains(shown) || middle?.closest("label")?.contains(stop))) continue
        const state = ["aria-selected", "aria-pressed", "aria-current"].map(name => stop.getAttribute(name)).concat(stop.checked)
        const kind = [stop.localName, stop.type, stop.getAttribute("class"), shown.parentElement.getAttribute("class"), ...state].join(" ")
        if (!kinds.has(kind)) kinds.set(kind, { stop, box: box.toJSON() })
      }
      window.focusKinds = [...kinds.values()]
      return [...kinds].map(([kind, { box }]) => [kind, box])
    })()
  JS

  # @return [Array<String>] kinds of controls that look the same with and without the focus
  def unseen
    mouse.move(x: 620, y: 8) # what shows under a pointer would hide it
    page.driver.browser.keyboard.type(:tab) # from then on the browser shows the focus
    page.evaluate_script(KINDS).each_with_index.filter_map do |(kind, box), index|
      next unless (@looked_at ||= Set.new).add?(kind) # what stands on every page is looked at once
      page.execute_script("document.activeElement.blur()")
      before = looked_at(box)
      page.execute_script("focusKinds[arguments[0]].stop.focus({ focusVisible: true, preventScroll: true })", index)
      after = looked_at(box)
      kind if differing(before, after) < ENOUGH
    end
  end

  private

  def looked_at(box)
    area = {x: [box["x"] - AROUND, 0].max, y: [box["y"] - AROUND, 0].max, width: box["width"] + 2 * AROUND, height: box["height"] + 2 * AROUND}
    Vips::Image.new_from_buffer(page.driver.browser.screenshot(area:, encoding: :binary), "").colourspace(:srgb).extract_band(0, n: 3)
  end

  # @return [Integer] pixels whose contrast between the two pictures is enough
  def differing(one, other)
    a, b = [one, other].map { |image| image.colourspace(:scrgb).then { |light| light[0] * 0.2126 + light[1] * 0.7152 + light[2] * 0.0722 + 0.05 } }
    lighter, darker = (a > b).ifthenelse(a, b), (a > b).ifthenelse(b, a)
    ((lighter / darker) >= CONTRAST).avg.then { |mean| (mean / 255 * one.width * one.height).round }
  end
end
