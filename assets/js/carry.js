// What parts are given of another part, or of an outfit, is shown at once: its paints, and how
// it is drawn.
import { part } from "./drawings.js"
import { find, whenPageChanges } from "./page.js"
import { picked } from "./picks.js"
import { preview } from "./previews.js"

const ATTRIBUTES = { fill: ["fill", "fill-opacity"], line: ["stroke", "stroke-opacity"] }
const PROPERTIES = { width: ["stroke-width"], dash: ["stroke-dasharray"], opacity: ["opacity"], effects: ["mix-blend-mode", "filter"] }

// @returns {string} "artwork.number", or "outfit.number"; empty where none is taken
export const carriedFrom = () => find("#carry")?.dataset.from ?? ""

// The tool takes the part that is outlined, also before the tools have come anew.
function aim() {
  const link = find(".tool[data-tool=carry]"), numbers = [...picked()]
  if (!link || new URLSearchParams(location.search).has("from")) return
  const address = new URL(link.href)
  if (numbers.length === 1) address.searchParams.set("from", `${find("#stage").dataset.artwork}.${numbers[0]}`)
  else address.searchParams.delete("from")
  link.href = address.pathname + address.search
}
document.addEventListener("parts:picked", aim)
whenPageChanges(aim)

export function showCarried(host, number) {
  const outfit = find("#carry").dataset.outfit
  if (outfit) return showOutfit(host, number, outfit)
  const [artwork, from] = carriedFrom().split("."), what = find("#carry").dataset.what.split(" ")
  const source = artwork === host.dataset.artwork && part(host, from), to = part(host, number)
  if (!source || !to || source === to) return // the answer shows it
  const drawn = getComputedStyle(source), style = what.flatMap(each => PROPERTIES[each] ?? []).map(name => `${name}:${drawn.getPropertyValue(name)}`)
  show(to, what.flatMap(each => ATTRIBUTES[each] ?? []).map(name => [name, source.getAttribute(name)]), style.join(";"))
}

// @param {string} shown as JSON: attributes, and properties as CSS
export function showOutfit(host, number, shown) {
  const to = part(host, number), { attributes, style } = JSON.parse(shown)
  if (to) show(to, Object.entries(attributes), style)
}

// The sweep that gives it meets it as before, also where it has no fill now: what lies
// below is not meant.
function show(to, attributes, style) {
  for (const [name, value] of attributes) preview(to, name, value)
  preview(to, "style", [to.getAttribute("style"), style, "pointer-events:all"].filter(Boolean).join(";"))
}
