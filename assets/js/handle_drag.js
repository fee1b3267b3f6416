// Dragging the handles of a gradient, and moving them by keys.
import { whenCalledOff } from "./called_off.js"
import { onceAFrame } from "./frames.js"
import { change, mean, role } from "./gradient.js"
import { begin, fill, showLaid, showStops } from "./gradient_preview.js"
import { dragged as lyingSo, draw, lies, localAt, unitAt } from "./handles.js"
import { moved, pointIn, shareOf, snapped } from "./lying.js"
import { find } from "./page.js"
import { picked } from "./picks.js"
import { takeBack } from "./previews.js"
import { host, stage } from "./stage.js"

const STILL = 3 // px up to which a press is a click
const OFF = 44 // px off the way from which a stop is taken away
const TURN = 15 // degrees to which the constraining key brings a line
const STEP = 0.05 // to which it brings a stop
const LEAST = 0.02 // how near a middle comes to a stop
const KEYS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }

let press = null // { kind, numbers, state, x, y, grip, dragged, moved }

const onStage = ({ clientX, clientY }) => {
  const { left, top } = stage().getBoundingClientRect()
  return [clientX - left, clientY - top]
}
const clamped = (value, low, high) => Math.min(Math.max(value, low), high)
const stepped = (value, step) => Math.round(value / step) * step

document.addEventListener("pointerdown", event => {
  const grabbed = event.target.closest?.("#handles [data-handle]")
  if (!grabbed || event.button !== 0 || !event.isPrimary) return
  event.stopImmediatePropagation() // nothing is picked below
  event.preventDefault()
  const [kind, ...numbers] = grabbed.dataset.handle.split(" "), state = lies()
  if (!state) return
  if (kind === "stop") mean(Number(numbers[0]))
  find(`#handles [data-handle="${grabbed.dataset.handle}"]`)?.focus({ preventScroll: true })
  stage().setPointerCapture(event.pointerId)
  press = { kind, numbers: numbers.map(Number), state, x: event.clientX, y: event.clientY, at: onStage(event), dragged: null }
}, true)

document.addEventListener("pointermove", event => {
  if (!press || !event.isPrimary) return
  if (!press.dragged && Math.hypot(event.clientX - press.x, event.clientY - press.y) < STILL) return
  if (press.kind === "way") return
  if (!press.dragged) preview(press)
  press.dragged = dragged(press, onStage(event), event.shiftKey)
  show()
})

function preview({ kind, numbers: [one, two], state: { made } }) {
  begin(host(), picked(), role(), made)
  stage().dataset.handling = "" // outlines would hide what is looked at
  if (kind === "middle") fill(one, two, made.stops[one].colour, made.stops[two].colour, made.space)
}

// What is shown follows the pointer once for each frame.
const show = onceAFrame(() => {
  if (!press?.dragged) return
  const { state, dragged: now } = press
  draw(lyingSo(state, now)) // before the drawing changes: where things are would have to be found anew
  if (now.stops) showStops(now.stops.map(stop => stop.going ? null : stop))
  else showLaid(state.made, now.from ?? state.from, now.to ?? state.to, now.squash ?? state.squash)
})

document.addEventListener("pointerup", event => {
  if (!press || !event.isPrimary) return
  const { kind, dragged: now, state } = press
  press = null
  delete stage().dataset.handling
  if (now) return commit(state, now)
  if (kind === "way") addAt(state, onStage(event))
})

whenCalledOff(() => press, callOff)

function callOff() {
  if (!press) return
  if (press.dragged) takeBack()
  press = null
  delete stage().dataset.handling
  draw()
}

// Where a handle would be.
function dragged({ kind, numbers, state, at }, point, constrained) {
  const { made, stops } = state
  if (kind === "stop") return { stops: stops.map((stop, number) => number === numbers[0] ? slid(state, number, point, constrained) : stop) }
  if (kind === "middle") return { stops: stops.map((stop, number) => number === numbers[0] ? bent(state, ...numbers, point, constrained) : stop) }
  if (kind === "squash") return { squash: clamped(Math.abs(unitAt({ ...state, unit: unsquashed(state) }, off(state, [0, 1], at, point))[1]), 0.001, 1000) }
  return ended(state, made, kind, off(state, kind === "to" ? [1, 0] : [0, 0], at, point), constrained)
}

// What is dragged stands off what it moves.
function off(state, unit, [x, y], point) {
  const begun = moved(state.local.multiply(state.unit), unit)
  return [begun[0] + point[0] - x, begun[1] + point[1] - y]
}

const unsquashed = ({ unit: { a, b, e, f } }) => new DOMMatrix([a, b, -b, a, e, f])

// A stop stays between its neighbours; far off the way it goes.
function slid(state, number, point, constrained) {
  const { made, stops } = state, [x, y] = unitAt(state, point), order = made.order, place = order.indexOf(number)
  const before = stops[order[place - 1]]?.offset ?? 0, after = stops[order[place + 1]]?.offset ?? 1
  const along = made.form === "conic" ? turned(x, y, stops[number].offset) : x
  const way = moved(state.local.multiply(state.unit), made.form === "conic" ? [x / (Math.hypot(x, y) || 1), y / (Math.hypot(x, y) || 1)] : [clamped(x, 0, 1), 0])
  const going = stops.length > 2 && Math.hypot(point[0] - way[0], point[1] - way[1]) > OFF
  return { ...stops[number], offset: clamped(constrained ? stepped(along, STEP) : along, before, after), going }
}

// 0..1, on the side of the turn's beginning where it was.
function turned(x, y, was) {
  const share = (Math.atan2(y, x) / (2 * Math.PI) + 1) % 1
  return was > 0.75 && share < 0.25 ? 1 : was < 0.25 && share > 0.75 ? 0 : share
}

function bent(state, one, two, point, constrained) {
  const { made, stops } = state, [x, y] = unitAt(state, point), from = stops[one].offset, to = stops[two].offset
  const share = ((made.form === "conic" ? turned(x, y, from) : x) - from) / (to - from)
  return { ...stops[one], middle: clamped(constrained ? stepped(share, STEP * 2) : share, LEAST, 1 - LEAST) }
}

// Ends of a line go each for itself; what is round is moved by its middle.
function ended(state, made, kind, point, constrained) {
  const [from, to] = [state.from, state.to].map(share => pointIn(made.box, share)), other = kind === "from" ? to : from
  let end = localAt(state, point)
  if (kind === "from" && made.form !== "linear") {
    const shifted = [to[0] + end[0] - from[0], to[1] + end[1] - from[1]]
    return { from: shareOf(made.box, end), to: shareOf(made.box, shifted) }
  }
  if (constrained) end = snapped(other, end, TURN)
  return { [kind]: shareOf(made.box, end) }
}

function commit(state, now) {
  const kept = (now.stops ?? state.stops).map((stop, number) => ({ of: number, offset: stop.offset, middle: stop.middle, going: stop.going })).filter(stop => !stop.going)
  const laid = now.stops ? {} : { from: now.from ?? state.from, to: now.to ?? state.to, squash: now.squash ?? state.squash }
  change({ handles: JSON.stringify({ stops: kept, ...laid }) }, kept.length === state.stops.length ? now : {})
}

// A click on the way adds a stop, in the colour that is there.
function addAt(state, point) {
  const [x, y] = unitAt(state, point), offset = clamped(state.made.form === "conic" ? turned(x, y, 0.5) : x, 0, 1)
  const stops = state.stops.map(({ offset: at, middle }, number) => ({ of: number, offset: at, middle }))
  change({ handles: JSON.stringify({ stops: [...stops, { offset }] }) })
  document.addEventListener("page:shown", () => mean(stops.length), { once: true })
}

// Keys: a step, ten with Shift; several in a row are one change.
let keyed = null // { state, now }

document.addEventListener("keydown", event => {
  const focused = event.target.closest?.("#handles [data-handle]")
  if (!focused || event.ctrlKey || event.metaKey || event.altKey) return
  const [kind, ...numbers] = focused.dataset.handle.split(" ")
  if (event.key === "Delete" || event.key === "Backspace") return kind === "stop" && remove(event, Number(numbers[0]))
  if (event.key === "Escape") return stage().focus({ preventScroll: true }) // once more lets go of the part
  const way = KEYS[event.key]
  if (!way || kind === "way") return
  event.preventDefault()
  event.stopImmediatePropagation()
  if (!keyed) {
    keyed = { state: lies(), now: {} }
    preview({ kind, numbers: numbers.map(Number), state: keyed.state })
  }
  keyed.now = { ...keyed.now, ...byKey(lyingSo(keyed.state, keyed.now), kind, numbers.map(Number), way.map(step => step * (event.shiftKey ? 10 : 1))) }
  keyed.now.stops ? showStops(keyed.now.stops) : showLaid(keyed.state.made, keyed.now.from ?? keyed.state.from, keyed.now.to ?? keyed.state.to, keyed.now.squash ?? keyed.state.squash)
  draw(lyingSo(keyed.state, keyed.now))
}, true)

addEventListener("keyup", event => {
  if (!keyed || !KEYS[event.key]) return
  const { state, now } = keyed
  keyed = null
  delete stage().dataset.handling
  commit(state, now)
})

function byKey(state, kind, numbers, [x, y]) {
  const { stops, made } = state, step = (x || -y) / 100
  if (kind === "stop") {
    const order = made.order, place = order.indexOf(numbers[0]), before = stops[order[place - 1]]?.offset ?? 0, after = stops[order[place + 1]]?.offset ?? 1
    return { stops: stops.map((stop, number) => number === numbers[0] ? { ...stop, offset: clamped(stop.offset + step, before, after) } : stop) }
  }
  if (kind === "middle") return { stops: stops.map((stop, number) => number === numbers[0] ? { ...stop, middle: clamped(stop.middle + step, LEAST, 1 - LEAST) } : stop) }
  if (kind === "squash") return { squash: clamped(state.squash * (1 + step), 0.001, 1000) }
  const begun = moved(state.local.multiply(state.unit), kind === "to" ? [1, 0] : [0, 0])
  return ended(state, made, kind, [begun[0] + x, begun[1] + y], false)
}

function remove(event, number) {
  event.preventDefault()
  event.stopImmediatePropagation()
  const state = lies()
  if (state.stops.length > 2) commit(state, { stops: state.stops.map((stop, each) => each === number ? { ...stop, going: true } : stop) })
}

