// Filling patches of a picture: what a press would fill is outlined, dragging takes in more or
// less, letting go fills it.
import { whenCalledOff } from "./called_off.js"
import { find, submit } from "./page.js"
import { fit, root } from "./outline.js"
import { panning } from "./panning.js"
import { stage, tool } from "./stage.js"

const SVG = "http://www.w3.org/2000/svg"
const FAR = 4 // px from which a press is a drag
const EACH = 8 // px of a drag for one step of the tolerance
const LEAST = 0.5, MOST = 40 // of it

let press = null // { x, y, at, began, dragged }
let asked = null // the address that is under way, or wanted next

const form = () => find("#fill-form")

// In units of the drawing.
export function placeOf({ clientX, clientY }) {
  const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(root().getScreenCTM().inverse())
  return [x, y]
}

document.addEventListener("pointerdown", event => {
  if (tool() !== "fill" || !event.target.closest?.(".stage-room:has(#stage)") || !event.isPrimary || event.button !== 0 || panning() || !root() || !form()) return
  event.preventDefault()
  event.stopImmediatePropagation()
  stage().focus({ preventScroll: true })
  stage().setPointerCapture(event.pointerId)
  press = { x: event.clientX, y: event.clientY, at: placeOf(event), began: Number(form().elements.tolerance.value), dragged: false }
  outline(press.at)
}, true)

document.addEventListener("pointermove", event => {
  if (!press || !event.isPrimary) return
  if (!press.dragged && Math.hypot(event.clientX - press.x, event.clientY - press.y) < FAR) return
  press.dragged = true
  show(press.began + Math.round((event.clientX - press.x) / EACH) * 0.5)
  outline(press.at)
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
  clear()
})

function show(tolerance) {
  const { tolerance: field } = form().elements
  field.value = Math.min(Math.max(tolerance, LEAST), MOST)
  tell(field)
}

const tell = field => { field.nextElementSibling.textContent = `ΔE ${field.value}` }

document.addEventListener("input", event => {
  if (event.target.matches?.(".fill-form input[name=tolerance]")) tell(event.target)
})

const layer = () => find("#filling")
const clear = () => {
  asked = null
  layer()?.replaceChildren()
}

// One question at a time; the last that was asked meanwhile comes next.
async function outline([x, y]) {
  const said = new FormData(form()), path = stage().dataset.path
  const question = new URLSearchParams({ x, y, ...Object.fromEntries(["tolerance", "where", "gap", "soft"].map(name => [name, said.get(name)])) })
  const waiting = asked !== null
  asked = `${path}/like.json?${question}`
  if (waiting) return
  while (asked) {
    const address = asked, answer = await fetch(address).then(found => found.ok ? found.json() : null, () => null)
    if (asked && answer) draw(answer)
    if (asked === address) asked = null
  }
}

function draw({ outline, matrix }) {
  const above = layer()
  if (!above || !root()) return
  fit(above, root())
  above.replaceChildren(...["outline-under", "outline-over"].map(name => {
    const path = document.createElementNS(SVG, "path")
    for (const [key, value] of Object.entries({ d: outline, transform: matrix, class: name })) path.setAttribute(key, value)
    return path
  }))
}

document.addEventListener("drawing:painted", () => { if (!press) clear() })
