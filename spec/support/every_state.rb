require_relative "focus_pixels"
require_relative "measured"
require_relative "states"

# What is checked in every state, each of which is reached once.
module EveryState
  include FocusPixels
  include Measured

  AXE = File.read(File.expand_path("../../node_modules/axe-core/axe.min.js", __dir__))
  RULES = %w[wcag2a wcag2aa wcag21a wcag21aa wcag22aa best-practice].freeze
  # The sample of a contrast shows colours that may well be hard to read: that is what it is for.
  SAMPLE = ".checks dt > i"
  KNOWN = Set.new # parts that were looked at in any state before

  # Parts of a page that are letter for letter as in a state before are marked; what they are is told.
  PARTS = <<~JS
    (known => {
      const ours = / (value|data-version|data-watch)="[^"]*"/g, told = [], before = new Set(known)
      const mark = text => { // of 64 bits
        let one = 1, two = 2
        for (let at = 0; at < text.length; at++) {
          one = Math.imul(one ^ text.charCodeAt(at), 2654435761)
          two = Math.imul(two ^ text.charCodeAt(at), 1597334677)
        }
        return `${one} ${two} ${text.length}`
      }
      for (const part of document.querySelectorAll("#app > *, main > *, main > * > *, .hand > *, dialog")) {
        const text = mark(`${part.parentElement.className} ${part.outerHTML.replace(ours, "")}`)
        before.has(text) ? part.dataset.known = "" : told.push(text)
      }
      return told
    })
  JS

  # What looks at every element and cannot find anything: sizes are measured more strictly
  # (measured.js), and nothing says "!important" in a style of its own, or all is looked at.
  LEFT = <<~JS.chomp
    { "target-size": { enabled: false }, "avoid-inline-spacing": { enabled: document.querySelector("[style*=important i]") !== null } }
  JS

  # @return [Array<String>] what axe-core finds wrong with the page as it is, but for parts that
  #   it has looked at in another state
  def violations
    KNOWN.merge(page.evaluate_script("#{PARTS}(#{KNOWN.to_a.to_json})"))
    load_axe
    found = page.evaluate_async_script(<<~JS, SAMPLE, RULES)
      const [sample, rules, done] = arguments
      axe.run({ exclude: [sample, "[data-known]"] }, { resultTypes: ["violations"], runOnly: rules, rules: #{LEFT} })
        .then(({ violations }) => done(violations.flatMap(({ id, nodes }) => nodes.map(node => `${id} ${node.target.join(" ")}: ${node.failureSummary.split("\\n")[1]}`))))
        .finally(() => document.querySelectorAll("[data-known]").forEach(part => part.removeAttribute("data-known")))
    JS
    found.map { |words| words.gsub(/\s+/, " ")[0, 300] }
  end

  # Compiled once for all pages of a process of the browser.
  def load_axe
    shown = page.driver.browser.page
    run = -> { shown.command("Runtime.runScript", scriptId: @axe, executionContextId: shown.execution_id!, silent: true) }
    run.call
  rescue Ferrum::BrowserError
    @axe = shown.command("Runtime.compileScript", expression: AXE, sourceURL: "axe.js", persistScript: true).fetch("scriptId")
    run.call
  end

  STOPS = <<~JS
    (() => {
      const within = document.querySelector("dialog[open]") ?? document
      const stops = [...within.querySelectorAll("a[href], button, input:not([type=hidden]), select, textarea, summary, [tabindex]")]
        .filter(stop => !stop.disabled && stop.tabIndex >= 0 && !stop.closest("dialog:not([open])") && stop.checkVisibility({ visibilityProperty: true }))
      const asOne = stop => stop.type === "radio" ? stop.name : stop // the browser makes one stop of radio buttons
      return new Set(stops.map(asOne)).size
    })()
  JS

  # How often Tab is pressed at most until one is through a page. Mix lies over another one.
  MOST_STOPS = {"Gather" => 55, "Palettes" => 70, "Dress" => 80, "Mix" => 105}.freeze
  USUAL_STOPS = 60

  # What belongs together has become one stop by then: the scripts do it when the page has come.
  # @return [Array<String>]
  def too_many_stops(place)
    most = MOST_STOPS.fetch(place, USUAL_STOPS)
    eventually { expect(page.evaluate_script(STOPS)).to be <= most }
    []
  rescue RSpec::Expectations::ExpectationNotMetError
    ["Tab stops #{page.evaluate_script(STOPS)} times, more than #{most}"]
  end

  # Pictures that are another size before they have come: what lies below would move.
  MOVING = <<~JS
    (() => {
      const pictures = [...document.images].filter(each => each.getAttribute("src") && each.checkVisibility()), size = each => `${each.offsetWidth} × ${each.offsetHeight}`
      const come = pictures.map(size), addresses = pictures.map(each => each.getAttribute("src"))
      pictures.forEach(each => each.removeAttribute("src"))
      const before = pictures.map(size)
      pictures.forEach((each, index) => { each.src = addresses[index] })
      return pictures.flatMap((each, index) => before[index] === come[index] ? [] : [`${addresses[index]} is ${before[index]} before it has come, and ${come[index]} then`])
    })()
  JS

  # @return [Array<String>]
  def moving = page.evaluate_script(MOVING).uniq

  # @return [Array<String>]
  def unseen_focus = unseen.map { |kind| "the focus is not seen on #{kind}" }
end
