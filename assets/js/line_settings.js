// How a line would be drawn, shown on a sample and on the parts that are picked while it is said.
import { part } from "./drawings.js"
import { all, find, whenPageChanges } from "./page.js"
import { picked } from "./picks.js"
import { preview, takeBack } from "./previews.js"
import { host } from "./stage.js"

const NAMES = { width: "stroke-width", dash: "stroke-dasharray", cap: "stroke-linecap", join: "stroke-linejoin", limit: "stroke-miterlimit" }
const DASH = /^(none|[\d.]+([ ,]+[\d.]+)*)$/
const LEAST = 1, MOST = 12 // px of the sample's line

const sheet = () => find("#settings")
const fields = () => all("#settings [data-line]").filter(({ dataset }) => NAMES[dataset.line])

let dirty = false // does a preview stand on the parts?

// What they say, where that is something.
function said() {
  return Object.fromEntries(fields().filter(({ value, dataset }) => value !== "" && (dataset.line !== "dash" || DASH.test(value.trim()))).map(({ dataset, value }) => [NAMES[dataset.line], value.trim()]))
}

function sample() {
  const path = find("#line-sample path"), properties = said(), width = Number(properties["stroke-width"] ?? 1)
  if (!path) return
  for (const [name, value] of Object.entries(properties)) path.setAttribute(name, value)
  path.setAttribute("stroke-width", Math.min(Math.max(width, LEAST), MOST))
}

// @param {Object} properties only those that were changed, so that parts keep what they differ in
function show(properties) {
  takeBack()
  for (const number of picked()) {
    const element = part(host(), number)
    if (element) preview(element, "style", [element.getAttribute("style"), ...Object.entries(properties).map(pair => pair.join(":"))].filter(Boolean).join(";"))
  }
  dirty = true
}

function shown() {
  const changed = new Set(fields().filter(field => field.value !== (field.dataset.was ?? "")).map(({ dataset }) => NAMES[dataset.line]))
  sample()
  show(Object.fromEntries(Object.entries(said()).filter(([name]) => changed.has(name))))
}

document.addEventListener("input", event => {
  const choice = event.target.closest?.("#settings [data-dash-choice]")
  if (choice?.value) find("#settings [name=set_dash]").value = choice.value
  if (event.target.dataset?.line === "dash") find("#settings [data-dash-choice]").value = event.target.value
  if (choice || NAMES[event.target.dataset?.line]) shown()
})

document.addEventListener("toggle", event => {
  if (event.target !== sheet()) return
  if (event.target.open) sample()
  else if (dirty) takeBack()
  dirty = false
}, true)

// What was said before is what is looked at for changes.
whenPageChanges(() => {
  for (const field of fields()) field.dataset.was = field.value
  dirty = false
  sample()
})
