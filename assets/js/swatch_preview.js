// A swatch's value as it is tried, on whatever draws it. Every chip, part and dot refers
// to the swatch's property; set at the root of the page it would make the browser compute
// the style of everything again, frame by frame.
import { all, find } from "./page.js"

const REFERRING = ["style", "fill", "stroke", "stop-color", "color", "flood-color"]
const MANY = 400 // of them, from which what holds them is cheaper
const HOLDING = ".drawing, .rows, .chart, .rack, .hand, .side"
let known = null // { variable, elements } until the page changes

document.addEventListener("page:shown", () => { known = null })

// @param {string} variable "--swatch-5"
export function showSwatch(variable, css) {
  if (known?.variable !== variable) known = { variable, elements: drawing(variable) }
  for (const element of known.elements) element.style.setProperty(variable, css)
}

// But for a drawing that shows the colour before: that has a value of its own.
function drawing(variable) {
  const selector = REFERRING.map(name => `[${name}*="(${variable},"], [${name}*="(${variable})"]`).join()
  const found = all(selector, find("#app")).filter(element => element.id !== "app" && !element.parentElement.closest(`[style*="${variable}:"]:not(#app)`))
  return found.length > MANY ? [...new Set(found.map(element => element.closest(HOLDING) ?? element))] : found
}
