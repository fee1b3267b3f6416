// The handles of a gradient: its line or ring, a drop for each stop and each end, a pair of thin
// lines for each middle.
import { meantStop } from "./gradient.js"
import { drop, element, endDrop, handle, inRoom, twice } from "./handle_shapes.js"
import { axes, moved, pointIn } from "./lying.js"

const OUT = 24 // px by which an end's handle stands off it
const INSIDE = 1.7 // times as far where it stands inside, since the stop may be drawn there, too
const DROP = 11, RIMMED = 14.5 // px, half the size of a stop's, without and with its rim
const LAST = 0.97 // from where a stop on a ring stands off it, so that it hides no other

// @param {Object} at { made, local, room }, see handles.js
// @returns {Object} besides: how it lies, and from its units to its own (unit)
export const standing = at => dragged({ ...at, from: at.made.from, to: at.made.to, squash: at.made.squash, stops: at.made.stops })

// The same with a handle elsewhere. The page is not asked again, which would have it laid out.
export function dragged(state, now = {}) {
  const moved = { ...state, ...now }
  return { ...moved, unit: axes(pointIn(moved.made.box, moved.from), pointIn(moved.made.box, moved.to), moved.squash) }
}

// On the stage, in px.
const seen = ({ local, unit }, point) => moved(local.multiply(unit), point)

// Where a stop stands on its unit.
function onUnit(made, offset) {
  if (made.form !== "conic") return [offset, 0]
  const turn = offset * 2 * Math.PI
  return [Math.cos(turn), Math.sin(turn)]
}

// Where on its unit a place on the stage is.
export const unitAt = (state, point) => moved(state.local.multiply(state.unit).inverse(), point)
export const localAt = (state, point) => moved(state.local.inverse(), point)

function standsAt(state, offset) {
  const at = onUnit(state.made, offset)
  return state.made.form === "conic" && offset > LAST ? off(state, at, [0, 0]) : seen(state, at)
}

// In the room with its rim, so that none is cut.
const within = ({ room: [left, top, right, bottom] }, [x, y]) => [Math.min(Math.max(x, left + RIMMED), right - RIMMED), Math.min(Math.max(y, top + RIMMED), bottom - RIMMED)]

// How far a stop's handle is drawn from where it stands.
export function shifted(state, number) {
  const at = standsAt(state, state.stops[number].offset), drawn = within(state, at)
  return [drawn[0] - at[0], drawn[1] - at[1]]
}

function stopHandle(state, number) {
  const { offset } = state.stops[number], { colour } = state.made.stops[number]
  const point = within(state, standsAt(state, offset))
  const shapes = ["handle-paper", "handle-colour", "handle-rim"].map(kind => element("path", { d: drop(DROP, point), class: kind }))
  shapes[1].style.fill = colour
  const made = handle(`stop ${number}`, point, `Stop ${state.made.order.indexOf(number) + 1}`, Math.round(offset * 1000) / 10, ...shapes)
  made.classList.toggle("handle-meant", number === meantStop())
  made.classList.toggle("handle-going", Boolean(state.stops[number].going))
  return made
}

// Beside a point, away from another or towards it.
function off(state, at, other, side = 1) {
  const point = seen(state, at), towards = seen(state, other), way = Math.hypot(point[0] - towards[0], point[1] - towards[1]) || 1
  return [0, 1].map(axis => point[axis] + side * (point[axis] - towards[axis]) / way * OUT)
}

// It stands off what it moves, outside; where there is no room, inside. A ring has its last
// stop outside.
function endHandle(state, kind, at, label, ways) {
  const [out, inside] = [1, -INSIDE].map(side => off(state, at, ways, side))
  const point = state.made.form !== "conic" && (inRoom(state, out) || !inRoom(state, inside)) ? out : inside
  return handle(kind, point, label, 0, ...endDrop(point))
}

// Two thin lines across the way, where both stops are mixed half and half.
function middleHandle(state, one, two) {
  const from = state.stops[one], to = state.stops[two], at = from.offset + (to.offset - from.offset) * from.middle
  const point = seen(state, onUnit(state.made, at)), next = seen(state, onUnit(state.made, at + 0.001))
  const turn = Math.atan2(next[1] - point[1], next[0] - point[0]), along = [Math.cos(turn), Math.sin(turn)]
  const end = (apart, side) => [point[0] + along[0] * apart - along[1] * side, point[1] + along[1] * apart + along[0] * side]
  const lines = [-2.5, 2.5].flatMap(apart => twice("path", { d: `M${end(apart, -8)}L${end(apart, 8)}` }))
  return handle(`middle ${one} ${two}`, point, `Middle after stop ${state.made.order.indexOf(one) + 1}`, Math.round(from.middle * 1000) / 10, ...lines)
}

function way(state) {
  const { form } = state.made, ring = { d: circle(state) }, line = { d: `M${seen(state, [0, 0])}L${seen(state, [1, 0])}` }
  const hit = element("path", { ...form === "conic" ? ring : line, class: "handle-way", "data-handle": "way" })
  return [...form === "linear" ? [] : twice("path", ring), ...form === "conic" ? [] : twice("path", line), hit]
}

// Its unit circle, in four bends: what moves their points moves it (the usual 0.5523 of a quarter).
function circle(state) {
  const k = 0.5523, point = at => seen(state, at)
  const bends = [[[1, k], [k, 1], [0, 1]], [[-k, 1], [-1, k], [-1, 0]], [[-1, -k], [-k, -1], [0, -1]], [[k, -1], [1, -k], [1, 0]]]
  return `M${point([1, 0])}${bends.map(bend => `C${bend.map(point).join(" ")}`).join("")}Z`
}

// Those of ends: of what is round, where it begins stands behind its middle.
function ends(state) {
  const { form } = state.made
  const from = form === "conic" ? handle("from", seen(state, [0, 0]), "The middle", 0, ...endDrop(seen(state, [0, 0]))) :
    endHandle(state, "from", [0, 0], form === "linear" ? "Where it begins" : "The middle", [1, 0])
  const squash = form === "radial" ? [endHandle(state, "squash", [0, 1], "How long the other axis is", [0, 0])] : []
  return [from, endHandle(state, "to", [1, 0], form === "conic" ? "Where the turn begins" : "Where it ends", [0, 0]), ...squash]
}

export function handles(state) {
  const order = state.made.order
  const middles = order.slice(0, -1).map((one, index) => [one, order[index + 1]]).filter(([one, two]) => state.stops[two].offset - state.stops[one].offset > 0.02)
  const stops = order.filter(number => number !== meantStop()).concat(meantStop())
  return [...way(state), ...middles.map(pair => middleHandle(state, ...pair)), ...ends(state), ...stops.map(number => stopHandle(state, number))]
}
