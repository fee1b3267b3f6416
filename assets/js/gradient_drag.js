// What dragging the handles of a gradient does, and moving them by keys.
import { change, mean, role } from "./gradient.js"
import { dragged as lyingSo, localAt, shifted, unitAt } from "./gradient_handles.js"
import { begin as beginPreview, fill, showLaid, showStops } from "./gradient_preview.js"
import { moved, pointIn, shareOf, snapped } from "./lying.js"
import { picked } from "./picks.js"
import { host } from "./stage.js"

const OFF = 44 // px off the way from which a stop is taken away
const TURN = 15 // degrees to which the constraining key brings a line
const STEP = 0.05 // to which it brings a stop
const LEAST = 0.02 // how near a middle comes to a stop

const clamped = (value, low, high) => Math.min(Math.max(value, low), high)
const stepped = (value, step) => Math.round(value / step) * step

// A stop that is grabbed is meant; the way itself is only clicked.
export function grabbed(kind, [number]) {
  if (kind === "stop") mean(number)
}
export const still = kind => kind === "way"

export function begin({ kind, numbers: [one, two], state: { made } }) {
  beginPreview(host(), picked(), role(), made)
  if (kind === "middle") fill(one, two, made.stops[one].colour, made.stops[two].colour, made.space)
}

export const becoming = lyingSo

export function show(state, now) {
  if (now.stops) showStops(now.stops.map(stop => stop.going ? null : stop))
  else showLaid(state.made, now.from ?? state.from, now.to ?? state.to, now.squash ?? state.squash)
}

// Where a handle would be.
export function dragged({ kind, numbers, state, at }, point, constrained) {
  const { made, stops } = state
  if (kind === "stop") return { stops: stops.map((stop, number) => number === numbers[0] ? slid(state, number, unshifted(state, number, point), constrained) : stop) }
  if (kind === "middle") return { stops: stops.map((stop, number) => number === numbers[0] ? bent(state, ...numbers, point, constrained) : stop) }
  if (kind === "squash") return { squash: clamped(Math.abs(unitAt({ ...state, unit: unsquashed(state) }, off(state, [0, 1], at, point))[1]), 0.001, 1000) }
  return ended(state, made, kind, off(state, kind === "to" ? [1, 0] : [0, 0], at, point), constrained)
}

// Where the stop is whose handle is there.
function unshifted(state, number, [x, y]) {
  const [across, down] = shifted(state, number)
  return [x - across, y - down]
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

export function commit(state, now) {
  const kept = (now.stops ?? state.stops).map((stop, number) => ({ of: number, offset: stop.offset, middle: stop.middle, going: stop.going })).filter(stop => !stop.going)
  const laid = now.stops ? {} : { from: now.from ?? state.from, to: now.to ?? state.to, squash: now.squash ?? state.squash }
  change({ handles: JSON.stringify({ stops: kept, ...laid }) }, kept.length === state.stops.length ? now : {})
}

// A click on the way adds a stop, in the colour that is there.
export function clicked(kind, state, point) {
  if (kind !== "way") return
  const [x, y] = unitAt(state, point), offset = clamped(state.made.form === "conic" ? turned(x, y, 0.5) : x, 0, 1)
  const stops = state.stops.map(({ offset: at, middle }, number) => ({ of: number, offset: at, middle }))
  change({ handles: JSON.stringify({ stops: [...stops, { offset }] }) })
  document.addEventListener("page:shown", () => mean(stops.length), { once: true })
}

// One step of a key.
export function byKey(state, kind, numbers, [x, y]) {
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

// @returns {boolean} was it one that can be taken away?
export function remove(kind, [number], state) {
  if (kind !== "stop") return false
  if (state.stops.length > 2) commit(state, { stops: state.stops.map((stop, each) => each === number ? { ...stop, going: true } : stop) })
  return true
}
