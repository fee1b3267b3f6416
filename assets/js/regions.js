// The parts of the window, one after the other: F6 and Shift with F6 go to the next and the
// last, and at the ends on to the browser's; skip links and a shortcut to one of them.
import { all, find } from "./page.js"
import { currentOf } from "./roving.js"
import { stopsIn, usable } from "./stops.js"

const REGIONS = ".head, main > aside, main > section, main > form, main.house, #mix, .hand"
// What one comes to in it, where it has it.
const FIRST = "#selection:not([hidden] *) .actions, .picture, #stage, #browse, #cut, #slice"

const regions = () => all(REGIONS).filter(region => usable(region) && firstIn(region))

function firstIn(region) {
  const best = all(FIRST, region).find(usable)
  if (best) return best.tabIndex < 0 ? currentOf(best) : best
  const sets = region.matches(".head") ? [] : region.matches("[data-roving]") ? [region] : all("[data-roving]", region).filter(usable)
  return sets.map(set => currentOf(set)).find(Boolean) ?? stopsIn(region).find(stop => stop.tabIndex >= 0)
}

const enter = region => region && firstIn(region)?.focus()

export const toHand = () => enter(find(".hand"))

document.addEventListener("keydown", event => {
  if (event.key !== "F6" || event.ctrlKey || event.metaKey || event.altKey || find("dialog[open]")) return
  const list = regions(), at = list.findIndex(region => region.contains(document.activeElement)), step = event.shiftKey ? -1 : 1
  const next = list[at < 0 ? (step > 0 ? 0 : list.length - 1) : at + step]
  if (!next) return // beyond the last the browser's own panes follow
  event.preventDefault()
  enter(next)
})

document.addEventListener("click", event => {
  const skip = event.target.closest?.("[data-skip]")
  if (!skip) return
  event.preventDefault()
  const to = skip.dataset.skip === "hand" ? find(".hand") : regions().find(region => find(FIRST, region) ?? region.matches("main > section")) ?? find("main")
  enter(to)
})
