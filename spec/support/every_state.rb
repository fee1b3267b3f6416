require_relative "states"

# What is checked in every state.
module EveryState
  AXE = File.read(File.expand_path("../../node_modules/axe-core/axe.min.js", __dir__))
  RULES = %w[wcag2a wcag2aa wcag21a wcag21aa wcag22aa best-practice].freeze
  # The sample of a contrast shows colours that may well be hard to read: that is what it is for.
  SAMPLE = ".checks dt > i"

  # @return [Array<String>] what axe-core finds wrong with the page as it is
  def violations
    page.execute_script(AXE)
    found = page.evaluate_async_script(<<~JS, SAMPLE, RULES)
      const [sample, rules, done] = arguments
      axe.run({ exclude: [sample] }, { resultTypes: ["violations"], runOnly: rules })
        .then(({ violations }) => done(violations.flatMap(({ id, nodes }) => nodes.map(node => `${id} ${node.target.join(" ")}: ${node.failureSummary.split("\\n")[1]}`))))
    JS
    found.map { |words| words.gsub(/\s+/, " ")[0, 300] }
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

  # @return [Array<String>]
  def too_many_stops(place)
    count, most = page.evaluate_script(STOPS), MOST_STOPS.fetch(place, USUAL_STOPS)
    (count > most) ? ["Tab stops #{count} times, more than #{most}"] : []
  end
end
