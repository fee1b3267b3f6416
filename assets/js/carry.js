// What parts are given of another part is shown at once: its paints, and how it is drawn.
import { part } from "./drawings.js"
import { find } from "./page.js"
import { preview } from "./previews.js"

const ATTRIBUTES = { fill: ["fill", "fill-opacity"], line: ["stroke", "stroke-opacity"] }
const PROPERTIES = { width: ["stroke-width"], dash: ["stroke-dasharray"], opacity: ["opacity"], effects: ["mix-blend-mode", "filter"] }

// @returns {string} "artwork.number", empty where none is taken
export const carriedFrom = () => find("#carry")?.dataset.from ?? ""

export function showCarried(host, number) {
  const [artwork, from] = carriedFrom().split("."), what = find("#carry").dataset.what.split(" ")
  const source = artwork === host.dataset.artwork && part(host, from), to = part(host, number)
  if (!source || !to || source === to) return // the answer shows it
  for (const name of what.flatMap(each => ATTRIBUTES[each] ?? [])) preview(to, name, source.getAttribute(name))
  const drawn = getComputedStyle(source), style = what.flatMap(each => PROPERTIES[each] ?? []).map(name => `${name}:${drawn.getPropertyValue(name)}`)
  if (style.length) preview(to, "style", `${to.getAttribute("style") ?? ""};${style.join(";")}`)
}
