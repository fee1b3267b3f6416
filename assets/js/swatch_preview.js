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
let main = null // the variable of what is tried
const known = new Map() // variable → { elements, layers, many } until the page changes

for (const event of ["page:shown", "drawing:painted"]) document.addEventListener(event, forget)

// A page that comes anew says what its own elements are; drawings stay, and are given back.
function forget() {
  for (const [variable, { elements, layers }] of known) {
    for (const element of elements) if (element.shadowRoot || element.getRootNode() !== document) element.style.removeProperty(variable)
    for (const each of layers.values()) each.end()
  }
  known.clear()
  main = null
}

// @param {string} variable "--swatch-5"
export function showSwatch(variable, css) {
  if (main !== variable) forget()
  main = variable
  const { elements, layers } = drawn(variable, true), layered = pressing() && !TRANSLUCENT.test(css)
  for (const element of elements) {
    const over = layers.get(element)
    if (over && layered) over.show(css)
    else {
      element.style.setProperty(variable, css)
      over?.toggle(false)
    }
  }
}

// What follows the swatch that is tried; what very many parts hold moves when it is let go.
export function showFollower(variable, css) {
  const entry = drawn(variable, false)
  entry.waits = entry.many && pressing() ? css : null
  if (!entry.waits) for (const element of entry.elements) element.style.setProperty(variable, css)
}

function settle() {
  for (const [variable, { layers, waits }] of known) {
    for (const each of layers.values()) each.hide()
    if (waits) showFollower(variable, waits)
  }
}
for (const end of ["pointerup", "pointercancel"]) document.addEventListener(end, () => requestAnimationFrame(settle))

const drawn = (variable, layered) => known.get(variable) ?? known.set(variable, drawing(variable, layered)).get(variable)

function drawing(variable, layered) {
  const selector = REFERRING.map(name => `[${name}*="(${variable},"], [${name}*="(${variable})"]`).join()
  const layers = new Map()
  let many = false
  const elements = [find("#app"), ...roots()].flatMap(within => {
    const found = all(selector, within).filter(element => element.id !== "app")
    if (found.length <= MANY) return found
    many = true
    if (layered && within.host?.id === "stage-drawing") layers.set(within.host, new TriedLayers(within.host, variable))
    return [...new Set(found.map(element => element.closest(HOLDING) ?? within.host ?? element))]
  })
  return { elements, layers, many }
}

// Made ready while nobody waits for it.
const prepare = () => requestIdleCallback(() => {
  const variable = find("#mix")?.dataset.variable
  if (!variable || main) return
  main = variable
  drawn(variable, true)
})
document.addEventListener("drawing:painted", prepare)
whenPageChanges(prepare)
