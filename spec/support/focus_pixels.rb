require "vips"
require_relative "painted"

# Whether one sees where the focus is: the window is looked at with and without.
module FocusPixels
  include Painted

  AROUND = 10 # CSS pixels beside a control that its ring may take
  CONTRAST = 3 # WCAG 2.2, 2.4.13: between a pixel with and without focus
  ENOUGH = 60 # pixels that differ by so much: less than a ring round the smallest control
  TIMES = 4 # that a control is looked at: the picture may be of a frame before, the page may move
  LOOKED_AT = {kinds: Set.new, looks: Set.new} # in any state before

  # One control of each kind and state that lies in the window, of kinds that were not looked at
  # yet, kept in the page as a list: [kind, what it looks like with the focus].
  KINDS = <<~JS
    (known => {
      const kinds = new Map(), seen = new Set(known), inside = box => box.width > 0 && box.left >= 0 && box.top >= 0 && box.right <= innerWidth && box.bottom <= innerHeight
      const DRAWN = ["outline", "outlineOffset", "boxShadow", "backgroundColor", "borderTopColor", "borderTopWidth", "borderRadius", "color", "stroke", "strokeWidth", "filter"]
      const ground = element => { for (let at = element; at; at = at.parentElement) if (getComputedStyle(at).backgroundColor !== "rgba(0, 0, 0, 0)") return getComputedStyle(at).backgroundColor }
      const style = element => DRAWN.map(name => getComputedStyle(element)[name]).join(" ")
      for (const stop of document.querySelectorAll("a[href], button, input:not([type=hidden]), select, textarea, summary, [tabindex]")) {
        if (stop.disabled || stop.matches("main, .skips a, #practice, #practice *") || stop.closest("dialog:not([open])") || !stop.checkVisibility({ visibilityProperty: true })) continue
        const shown = stop.closest("label:has(> input[type=file], > input[type=radio])") ?? stop, box = shown.getBoundingClientRect()
        const state = ["aria-selected", "aria-pressed", "aria-current"].map(name => stop.getAttribute(name)).concat(stop.checked)
        const kind = [stop.localName, stop.type, stop.getAttribute("class"), shown.parentElement.getAttribute("class"), ...state].join(" ")
        if (seen.has(kind)) continue
        const middle = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2)
        if (!inside(box) || !(shown.contains(middle) || middle?.contains(shown) || middle?.closest("label")?.contains(stop))) continue
        seen.add(kind)
        kinds.set(kind, { stop, shown })
      }
      window.focusKinds = [...kinds.values()]
      const looks = focusKinds.map(({ stop, shown }) => {
        stop.focus({ focusVisible: true, preventScroll: true })
        return [shown.localName, style(shown), shown === stop ? "" : style(stop), ground(shown.parentElement)].join("; ")
      })
      document.activeElement.blur()
      return [...kinds.keys()].map((kind, index) => [kind, looks[index]])
    })
  JS

  # Without the focus: where the control lies, and with it: whether that is so.
  WITHOUT = "(index => { document.activeElement.blur(); return focusKinds[index].shown.getBoundingClientRect().toJSON() })"
  WITH = "(index => { const { stop } = focusKinds[index]; stop.focus({ focusVisible: true, preventScroll: true }); return document.activeElement === stop && document.hasFocus() })"

  # @return [Array<String>] kinds of controls that look the same with and without the focus
  def unseen
    missed = looked_through
    return [] if missed.empty?
    LOOKED_AT.each_value { |known| known.subtract(missed.flat_map { |kind, look, _| [kind, look] }) }
    looked_through.map { |kind, _, how| "#{kind} (#{how})" } # what came anew meanwhile is no fault
  end

  private

  # @return [Array<[String, String, String]>] kind and look of what is not seen, and how it was looked at
  def looked_through
    mouse.move(x: 620, y: 8) # what shows under a pointer would hide it
    page.driver.browser.keyboard.type(:tab) # from then on the browser shows the focus
    page.evaluate_script("#{KINDS}(#{LOOKED_AT[:kinds].to_a.to_json})").each_with_index.filter_map do |(kind, look), index|
      LOOKED_AT[:kinds] << kind
      next unless LOOKED_AT[:looks].add?(look) # what is drawn alike is looked at once
      told = unseen_of(index)
      [kind, look, told] if told
    end
  end

  # @return [String, nil] how it was looked at in the end
  def unseen_of(index)
    told = nil
    seen = TIMES.times.any? do |time|
      settle_down if time > 0
      count, told = with_and_without(index)
      count >= ENOUGH
    end
    told unless seen
  end

  # @return [[Integer, String]] pixels that differ, and in words
  def with_and_without(index)
    box = page.evaluate_script("#{WITHOUT}(#{index})")
    before = looked_at(box)
    focused = page.evaluate_script("#{WITH}(#{index})")
    count = differing(before, looked_at(box))
    [count, "#{count} px differ of #{box.values_at("width", "height", "x", "y").map(&:round).join(" ")}#{", it has no focus" unless focused}"]
  end

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
