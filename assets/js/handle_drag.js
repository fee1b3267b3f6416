// Dragging the handles of what paints a part, and moving them by keys. What comes of it is said
// by its kind.
import { whenCalledOff } from "./called_off.js"
import { onceAFrame } from "./frames.js"
import * as gradients from "./gradient_drag.js"
import { draw, lies } from "./handles.js"
import { find } from "./page.js"
import * as patterns from "./pattern_drag.js"
import { takeBack } from "./previews.js"
import { stage } from "./stage.js"

const STILL = 3 // px up to which a press is a click
const KEYS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }

let press = null // { kind, numbers, state, x, y, at, dragged }

const of = ({ made }) => made.tile ? patterns : gradients

const onStage = ({ clientX, clientY }) => {
  const { left, top } = stage().getBoundingClientRect()
  return [clientX - left, clientY - top]
}

function named({ dataset: { handle } }) {
  const [kind, ...numbers] = handle.split(" ")
  return [kind, numbers.map(Number)]
}

document.addEventListener("pointerdown", event => {
  const grabbed = event.target.closest?.("#handles [data-handle]")
  if (!grabbed || event.button !== 0 || !event.isPrimary) return
  event.stopImmediatePropagation() // nothing is picked below
  event.preventDefault()
  const [kind, numbers] = named(grabbed), state = lies()
  if (!state) return
  of(state).grabbed(kind, numbers)
  find(`#handles [data-handle="${grabbed.dataset.handle}"]`)?.focus({ preventScroll: true })
  stage().setPointerCapture(event.pointerId)
  press = { kind, numbers, state, x: event.clientX, y: event.clientY, at: onStage(event), dragged: null }
}, true)

document.addEventListener("pointermove", event => {
  if (!press || !event.isPrimary) return
  if (!press.dragged && Math.hypot(event.clientX - press.x, event.clientY - press.y) < STILL) return
  if (of(press.state).still(press.kind)) return
  if (!press.dragged) begin(press)
  press.dragged = of(press.state).dragged(press, onStage(event), event.shiftKey)
  show()
})

function begin(what) {
  of(what.state).begin(what)
  stage().dataset.handling = "" // outlines would hide what is looked at
}

// What is shown follows the pointer once for each frame.
const show = onceAFrame(() => { if (press?.dragged) shown(press.state, press.dragged) })

// Handles before the drawing changes: where things are would have to be found anew.
function shown(state, now) {
  draw(of(state).becoming(state, now))
  of(state).show(state, now)
}

document.addEventListener("pointerup", event => {
  if (!press || !event.isPrimary) return
  const { kind, dragged: now, state } = press
  press = null
  delete stage().dataset.handling
  if (now) return of(state).commit(state, now)
  of(state).clicked(kind, state, onStage(event))
})

whenCalledOff(() => press, callOff)

function callOff() {
  if (!press) return
  if (press.dragged) takeBack()
  press = null
  delete stage().dataset.handling
  draw()
}

// Keys: a step, ten with Shift; several in a row are one change.
let keyed = null // { state, now }

document.addEventListener("keydown", event => {
  const focused = event.target.closest?.("#handles [data-handle]")
  if (!focused || event.ctrlKey || event.metaKey || event.altKey) return
  const [kind, numbers] = named(focused)
  if (event.key === "Delete" || event.key === "Backspace") return remove(event, kind, numbers)
  if (event.key === "Escape") return stage().focus({ preventScroll: true }) // once more lets go of the part
  const way = KEYS[event.key], state = keyed?.state ?? lies()
  if (!way || !state || of(state).still(kind)) return
  event.preventDefault()
  event.stopImmediatePropagation()
  if (!keyed) {
    keyed = { state, now: {} }
    begin({ kind, numbers, state })
  }
  keyed.now = { ...keyed.now, ...of(state).byKey(of(state).becoming(state, keyed.now), kind, numbers, way.map(step => step * (event.shiftKey ? 10 : 1))) }
  shown(state, keyed.now)
}, true)

addEventListener("keyup", event => {
  if (!keyed || !KEYS[event.key]) return
  const { state, now } = keyed
  keyed = null
  delete stage().dataset.handling
  of(state).commit(state, now)
})

function remove(event, kind, numbers) {
  const state = lies()
  if (!state || !of(state).remove(kind, numbers, state)) return
  event.preventDefault()
  event.stopImmediatePropagation()
}
