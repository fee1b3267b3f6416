// The handles of a gradient on the artwork: its line or ring, a drop for each stop and each
// end, a pair of thin lines for each middle. They keep their size on the screen.
import { part } from "./drawings.js"
import { onceAFrame } from "./frames.js"
import { gradient, meantStop } from "./gradient.js"
import { axes, moved, pointIn, shareOf, written } from "./lying.js"
import { find, whenPageChanges } from "./page.js"
import { host, stage, tool } from "./stage.js"

const SVG = "http://www.w3.org/2000/svg"
const OUT = 24 // px by which an end's handle stands off it
const DROP = 11, END = 6.5 // px, half their size
const HIT = 13 // px, half of what can be hit
const LAST = 0.97 // from where a stop on a ring stands off it, so that it hides no other

const layer = () => find("#handles")
const root = () => host()?.shadowRoot?.querySelector("svg")

// How things stand: the gradient as data, and as it is being dragged.
// @returns {Object|null} { made, from, to, squash, stops, local, screen }
export function lies(dragged = {}) {
  const made = layer() && tool() === "pick" ? gradient() : null, shape = made && part(host(), made.part)
  if (!shape?.getScreenCTM?.() || !["linear", "round", "radial", "conic"].includes(made.form)) return null
  const { left, top } = stage().getBoundingClientRect()
  const local = new DOMMatrix([1, 0, 0, 1, -left, -top]).multiply(DOMMatrix.fromMatrix((made.across ? root() : shape).getScreenCTM()))
  const { from, to, squash, stops } = { ...made, ...dragged }
  return { made, from, to, squash, stops, local, unit: axes(pointIn(made.box, from), pointIn(made.box, to), squash) }
}

// On the stage, in px.
const seen = ({ local, unit }, point) => moved(local.multiply(unit), point)

// Where a stop stands on its unit.
export function onUnit(made, offset) {
  if (made.form !== "conic") return [offset, 0]
  const turn = offset * 2 * Math.PI
  return [Math.cos(turn), Math.sin(turn)]
}

// Where on its unit a place on the stage is.
export const unitAt = (state, point) => moved(state.local.multiply(state.unit).inverse(), point)
export const localAt = (state, point) => moved(state.local.inverse(), point)
export const shareAt = (state, point) => shareOf(state.made.box, localAt(state, point))

function element(name, attributes, ...children) {
  const made = document.createElementNS(SVG, name)
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value)
  made.append(...children)
  return made
}

// Black under white, so that it is seen on any colour.
const twice = (name, attributes) => ["handle-under", "handle-over"].map(kind => element(name, { ...attributes, class: kind }))

const drop = size => `M${-size} ${size}V0A${size} ${size} 0 1 1 0 ${size}Z`

function handle(kind, [x, y], label, value, ...shapes) {
  return element("g", { "data-handle": kind, transform: `translate(${x} ${y})`, tabindex: 0, role: "slider", "aria-label": label, "aria-valuenow": value, "aria-valuetext": `${label} ${value}` },
    element("rect", { x: -HIT, y: -HIT, width: HIT * 2, height: HIT * 2, class: "handle-hit" }), ...shapes)
}

function stopHandle(state, number) {
  const { offset } = state.stops[number], { colour } = state.made.stops[number]
  const body = element("path", { d: drop(DROP), class: "handle-colour", style: `fill:${colour}` })
  const at = onUnit(state.made, offset), apart = state.made.form === "conic" && offset > LAST
  const made = handle(`stop ${number}`, apart ? off(state, at, [0, 0]) : seen(state, at), `Stop ${state.made.order.indexOf(number) + 1}`, Math.round(offset * 1000) / 10,
    element("path", { d: drop(DROP), class: "handle-paper" }), body, element("path", { d: drop(DROP), class: "handle-rim" }), element("path", { d: drop(DROP), class: "handle-edge" }))
  made.classList.toggle("handle-meant", number === meantStop())
  made.classList.toggle("handle-going", Boolean(state.stops[number].going))
  return made
}

// Can it be reached? The drawing may fill all its room.
function inRoom([x, y]) {
  const { left, top } = stage().getBoundingClientRect(), room = stage().closest(".stage-room").getBoundingClientRect()
  return x + left > room.left + END && x + left < room.right - END && y + top > room.top + END && y + top < room.bottom - END
}

// Beside a point, away from another or towards it.
function off(state, at, other, side = 1) {
  const point = seen(state, at), towards = seen(state, other), way = Math.hypot(point[0] - towards[0], point[1] - towards[1]) || 1
  return [0, 1].map(axis => point[axis] + side * (point[axis] - towards[axis]) / way * OUT)
}

// It stands off what it moves, outside; where there is no room, inside. A ring has its last
// stop outside.
function endHandle(state, kind, at, label, ways) {
  const [out, within] = [1, -1].map(side => off(state, at, ways, side))
  return handle(kind, state.made.form !== "conic" && (inRoom(out) || !inRoom(within)) ? out : within, label, 0, element("path", { d: drop(END), class: "handle-paper" }), element("path", { d: drop(END), class: "handle-edge" }))
}

// Two thin lines across the way, where both stops are mixed half and half.
function middleHandle(state, one, two) {
  const from = state.stops[one], to = state.stops[two], at = from.offset + (to.offset - from.offset) * from.middle
  const point = seen(state, onUnit(state.made, at)), next = seen(state, onUnit(state.made, at + 0.001))
  const turn = Math.atan2(next[1] - point[1], next[0] - point[0]) * 180 / Math.PI
  const lines = element("g", { transform: `rotate(${turn})` }, ...[-2.5, 2.5].flatMap(x => twice("line", { x1: x, x2: x, y1: -8, y2: 8 })))
  return handle(`middle ${one} ${two}`, point, `Middle after stop ${state.made.order.indexOf(one) + 1}`, Math.round(from.middle * 1000) / 10, lines)
}

function way(state) {
  const { form } = state.made, ring = { transform: written(state.local.multiply(state.unit)), r: 1 }
  const [x1, y1] = seen(state, [0, 0]), [x2, y2] = seen(state, [1, 0])
  const line = { x1, y1, x2, y2 }
  const hit = form === "conic" ? element("circle", { ...ring, class: "handle-way", "data-handle": "way" }) : element("line", { ...line, class: "handle-way", "data-handle": "way" })
  return [...form === "linear" ? [] : twice("circle", ring), ...form === "conic" ? [] : twice("line", line), hit]
}

// Those of ends: of what is round, where it begins stands behind its middle.
function ends(state) {
  const { form } = state.made
  const from = form === "conic" ? handle("from", seen(state, [0, 0]), "The middle", 0, element("path", { d: drop(END), class: "handle-paper" }), element("path", { d: drop(END), class: "handle-edge" })) :
    endHandle(state, "from", [0, 0], form === "linear" ? "Where it begins" : "The middle", [1, 0])
  const squash = form === "radial" ? [endHandle(state, "squash", [0, 1], "How long the other axis is", [0, 0])] : []
  return [from, endHandle(state, "to", [1, 0], form === "conic" ? "Where the turn begins" : "Where it ends", [0, 0]), ...squash]
}

// @param {Object} [dragged] what is other than the page says: from, to, squash, stops
export function draw(dragged) {
  const above = layer()
  if (!above) return
  const state = lies(dragged), focused = above.querySelector(":focus")?.dataset.handle
  if (!state) return above.replaceChildren()
  const order = state.made.order
  const middles = order.slice(0, -1).map((one, index) => [one, order[index + 1]]).filter(([one, two]) => state.stops[two].offset - state.stops[one].offset > 0.02)
  const stops = order.filter(number => number !== meantStop()).concat(meantStop())
  above.replaceChildren(...way(state), ...middles.map(pair => middleHandle(state, ...pair)), ...ends(state), ...stops.map(number => stopHandle(state, number)))
  if (focused) above.querySelector(`[data-handle="${focused}"]`)?.focus({ preventScroll: true })
}

const soon = onceAFrame(() => draw())
for (const event of ["stop:meant", "view:changed", "drawing:painted", "parts:picked"]) document.addEventListener(event, soon)
addEventListener("resize", soon)
whenPageChanges(soon)
