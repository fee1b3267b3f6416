// Filling patches of a picture: what a press would fill is outlined, dragging takes in more or
// less, letting go fills it. How a patch is looked for anew is outlined while it is said.
import { whenCalledOff } from "./called_off.js"
import { clearOutline, outlineFrom, placeOf } from "./fill_outline.js"
import { forgetMark } from "./fill_keys.js"
import { find, submit } from "./page.js"
import { root } from "./outline.js"
import { panning } from "./panning.js"
import { stage, tool } from "./stage.js"

const FAR = 4 // px from which a press is a drag
const EACH = 8 // px of a drag for one step of the tolerance
const LEAST = 0.5, MOST = 40 // of it

let press = null // { x, y, at, began, dragged }

const form = () => find("#fill-form")

document.addEventListener("pointerdown", event => {
  if (tool() !== "fill" || !event.target.closest?.(".stage-room:has(#stage)") || !event.isPrimary || event.button !== 0 || panning() || !root() || !form()) return
  event.preventDefault()
  event.stopImmediatePropagation()
  stage().focus({ preventScroll: true })
  forgetMark() // the pointer points elsewhere
  stage().setPointerCapture(event.pointerId)
  press = { x: event.clientX, y: event.clientY, at: placeOf(event), began: Number(form().elements.tolerance.value), dragged: false }
  outlineThere()
}, true)

document.addEventListener("pointermove", event => {
  if (!press || !event.isPrimary) return
  if (!press.dragged && Math.hypot(event.clientX - press.x, event.clientY - press.y) < FAR) return
  press.dragged = true
  show(press.began + Math.round((event.clientX - press.x) / EACH) * 0.5)
  outlineThere()
})

document.addEventListener("pointerup", event => {
  if (!press || !event.isPrimary) return
  const { at } = press
  press = null
  event.stopImmediatePropagation()
  form().elements.points.value = JSON.stringify([at])
  submit(form())
}, true)

whenCalledOff(() => press, () => {
  if (!press) return
  show(press.began)
  press = null
  clearOutline()
})

function outlineThere() {
  const [x, y] = press.at
  outlineFrom({ x, y }, form())
}

function show(tolerance) {
  const { tolerance: field } = form().elements
  field.value = Math.min(Math.max(tolerance, LEAST), MOST)
  tell(field)
}

const tell = field => { field.nextElementSibling.textContent = `ΔE ${field.value}` }

document.addEventListener("input", event => {
  if (event.target.matches?.(".fill-form input[name=tolerance]")) tell(event.target)
  const { fillPart: part } = event.target.closest?.("[data-fill-part]")?.dataset ?? {}
  if (part && root()) outlineFrom({ part }, event.target.form)
})

document.addEventListener("toggle", event => { if (event.target.id === "filled" && !event.target.open) clearOutline() }, true)
document.addEventListener("drawing:painted", () => { if (!press) clearOutline() })
