// A swatch's value as it is tried, on whatever draws it. Every chip, part and dot refers
// to the swatch's property; set at the root of the page it would make the browser compute
// the style of everything again, frame by frame.
import { roots } from "./drawings.js"
import { all, find, whenPageChanges } from "./page.js"
import { TriedLayers } from "./tried_layers.js"
import { pressing } from "./waiting.js"

const REFERRING = ["style", "fill", "stroke", "stop-color", "color", "flood-color"]
const MANY = 400 // of them, from which what holds them is cheaper
const HOLDING = ".rows, .chart, .rack, .hand, .side"
const TRANSLUCENT = /\/\s*[\d.]+%?\s*\)$|^transparent$|^#(\w{4}|\w{8})$/
let known = null // { variable, elements, layers } until the page changes

for (const event of ["page:shown", "drawing:painted"]) document.addEventListener(event, forget)

// A page that comes anew says what its own elements are; drawings stay, and are given back.
function forget() {
  for (const element of known?.elements ?? []) if (element.shadowRoot || element.getRootNode() !== document) element.style.removeProperty(known.variable)
  for (const layers of known?.layers.values() ?? []) layers.end()
  known = null
}

// @param {string} variable "--swatch-5"
export function showSwatch(variable, css) {
  if (known?.variable !== variable) { forget(); known = { variable, ...drawing(variable) } }
  const layered = pressing() && !TRANSLUCENT.test(css)
  for (const element of known.elements) {
    const layers = known.layers.get(element)
    if (layers && layered) layers.show(css)
    else {
      element.style.setProperty(variable, css)
      layers?.toggle(false)
    }
  }
}

const settle = () => { for (const layers of known?.layers.values() ?? []) layers.hide() }
for (const end of ["pointerup", "pointercancel"]) document.addEventListener(end, () => requestAnimationFrame(settle))

function drawing(variable) {
  const selector = REFERRING.map(name => `[${name}*="(${variable},"], [${name}*="(${variable})"]`).join()
  const layers = new Map()
  const elements = [find("#app"), ...roots()].flatMap(within => {
    const found = all(selector, within).filter(element => element.id !== "app")
    if (found.length <= MANY) return found
    if (within.host?.id === "stage-drawing") layers.set(within.host, new TriedLayers(within.host, variable))
    return [...new Set(found.map(element => element.closest(HOLDING) ?? within.host ?? element))]
  })
  return { elements, layers }
}

// Made ready while nobody waits for it.
const prepare = () => requestIdleCallback(() => {
  const variable = find("#mix")?.dataset.variable
  if (variable && !known) known = { variable, ...drawing(variable) }
})
document.addEventListener("drawing:painted", prepare)
whenPageChanges(prepare)
