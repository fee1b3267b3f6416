// A gradient as it would be, shown on the parts that are picked while a handle is dragged.
// They get copies of what paints them; the server's answer settles it.
import { part } from "./drawings.js"
import { shapeOf } from "./lines.js"
import { axes, around, placeOf, pointIn, written } from "./lying.js"
import { preview } from "./previews.js"

const PAINT = { fill: "fill", line: "stroke" }
const ELEMENTS = { linear: "linearGradient", round: "radialGradient", radial: "radialGradient" }
const FAR = 100 // units that a sector reaches, as Magpie::Painters::Sectors has it
const UNDER = 90 // degrees by which it lies under those that follow
const STEPS = 24 // pieces of the way between two stops while its middle moves
const BEYOND = 0.5 // of a part, see Magpie::Painters::Laid

const LIVE = 100 // parts that follow each frame; where there are more, the smaller ones wait
const REST = 120 // ms after which those follow that wait

let shown = null // { svg, host, defs, made, laid: [{ server, element, frame }], whole, groups: [{ base, laid }] }
let resting = null

// @param {Iterable<number>} numbers of parts
// @param {Object} made the gradient, see Places::Dress::EditedPaint
// @returns {boolean} is there anything to show it on?
export function begin(host, numbers, role, made) {
  end()
  const svg = host.shadowRoot.querySelector("svg"), servers = new Map(), attribute = PAINT[role]
  const defs = document.createElementNS(svg.namespaceURI, "defs")
  defs.dataset.preview = ""
  for (const number of numbers) {
    const element = part(host, number), id = element?.getAttribute(attribute)?.match(/^url\(#(.+)\)$/)?.[1]
    if (!id) continue
    if (!servers.has(id)) servers.set(id, copied(svg, id, servers.size, element, made))
    const copy = servers.get(id)
    if (copy) preview(element, attribute, `url(#${copy.server.id})`)
  }
  const laid = [...servers.values()].filter(Boolean)
  if (laid.length === 0) return false
  const whole = laid[0].of ? svg.getElementById(laid[0].of).cloneNode(true) : bare(svg, made)
  shown = { svg, host, defs, made, laid, whole, groups: grouped(laid).map((some, number) => group(whole, some, number)) }
  defs.append(...shown.groups.map(({ base }) => base), ...laid.map(({ server }) => server))
  svg.prepend(defs)
  if (!laid[0].of) showLaid(made, made.from, made.to, made.squash)
  return true
}

// The larger ones, and those that can wait.
function grouped(laid) {
  if (laid.length <= LIVE) return [laid]
  const bySize = [...laid].sort((one, two) => two.frame[2] * two.frame[3] - one.frame[2] * one.frame[3])
  return [bySize.slice(0, LIVE), bySize.slice(LIVE)]
}

function group(whole, laid, number) {
  const base = whole.cloneNode(true)
  base.id = `preview-of-${number}`
  for (const { server } of laid) server.setAttribute("href", `#${base.id}`)
  return { base, laid }
}

// Does something now to those that follow each frame, and to the others once the hand rests.
function each(run) {
  const [first, ...others] = shown.groups, of = shown
  run(first)
  if (others.length === 0) return
  clearTimeout(resting)
  resting = setTimeout(() => { if (shown === of) others.forEach(run) }, REST)
}

function copied(svg, id, number, element, made) {
  const found = svg.getElementById(id)
  if (found && !found.dataset.frame && ELEMENTS[made.form]) return ofFile(svg, number, element, made)
  if (!found?.dataset.frame) return null
  const server = found.cloneNode(true), of = server.getAttribute("href").slice(1)
  server.id = `preview-${number}`
  return { server, of, element, frame: server.dataset.frame.split(" ").map(Number) }
}

// One of the drawing's own lies where it lies, and its stops may be another's.
function ofFile(svg, number, element, { form }) {
  const server = document.createElementNS(svg.namespaceURI, ELEMENTS[form]), { x, y, width, height } = shapeOf(element).getBBox()
  const unit = form === "linear" ? { x1: 0, x2: 1 } : { cx: 0, cy: 0, r: 1 }
  for (const [name, value] of Object.entries({ id: `preview-${number}`, gradientUnits: "userSpaceOnUse", ...unit })) server.setAttribute(name, value)
  return { server, of: null, element, frame: [x, y, width, height] }
}

function bare(svg, { form, order, stops, spread }) {
  const base = document.createElementNS(svg.namespaceURI, ELEMENTS[form])
  base.setAttribute("spreadMethod", spread)
  for (const number of order) {
    const stop = document.createElementNS(svg.namespaceURI, "stop")
    stop.setAttribute("offset", stops[number].offset)
    stop.setAttribute("stop-color", stops[number].colour)
    stop.dataset.at = number
    base.append(stop)
  }
  return base
}

// Where a middle moves there must be stops enough between both to show it, which there may
// not be as long as it lies halfway. The browser mixes them.
// @param {number} from, to stops
// @param {string} one, two their colours, as CSS
// @param {string} space in which they are mixed
export function fill(from, to, one, two, space) {
  const after = shown?.whole.querySelector(`stop[data-at="${to}"]`)
  if (!after) return
  for (const stop of shown.whole.querySelectorAll(`[data-between^="${from} ${to} "]`)) stop.remove()
  for (let step = 1; step < STEPS; step++) {
    const stop = document.createElementNS(shown.svg.namespaceURI, "stop")
    stop.setAttribute("stop-color", `color-mix(in ${space}, ${one}, ${two} ${step / STEPS * 100}%)`)
    stop.dataset.between = `${from} ${to} ${step / STEPS}`
    after.before(stop)
  }
}

// What was painted anew needs no copies any more.
export function end() {
  clearTimeout(resting)
  shown?.defs.remove()
  shown = null
}

document.addEventListener("drawing:painted", event => { if (event.target === shown?.host) end() })

// @param {Array<{offset: number, middle: number}|null>} stops by number; null is taken away
export function showStops(stops) {
  if (!shown) return
  const moved = shown.whole.cloneNode(true)
  for (const stop of moved.querySelectorAll("stop")) {
    const at = offsetOf(stop.dataset, stops)
    at === null ? stop.remove() : stop.setAttribute("offset", at)
  }
  for (const path of moved.querySelectorAll("[data-sector]")) bend(path, stops)
  each(group => {
    const base = moved.cloneNode(true)
    base.id = group.base.id
    group.base.replaceWith(base) // at once: each stop that moves would have all that it paints looked at
    group.base = base
  })
}

function offsetOf({ at, between }, stops) {
  if (at !== undefined) return stops[at]?.offset ?? null
  const [from, to, share] = between.split(" ").map(Number), one = stops[from], two = stops[to]
  return one && two ? one.offset + (two.offset - one.offset) * placeOf(share, one.middle) : null
}

// A sector of one that turns: its edges move with the stops between which they lie.
function bend(path, stops) {
  const [from, to, ...places] = path.dataset.sector.split(" "), begun = shown.made.stops[from]?.middle ?? 0.5
  const one = from === "x" ? { offset: 0, middle: 0.5 } : stops[from], two = to === "x" ? { offset: 1 } : stops[to]
  if (!one || !two) return path.setAttribute("d", "")
  const bent = Math.log(one.middle) / Math.log(begun)
  const [first, last] = places.map(place => (one.offset + (two.offset - one.offset) * (from === "x" ? place : place ** bent)) * 360)
  const until = path.closest("[shape-rendering]") || last >= 360 - 1e-6 ? last : Math.min(last + UNDER, 360)
  const corners = Math.max(Math.ceil((until - first) / 90), 1)
  const points = Array.from({ length: corners + 1 }, (_, index) => (first + (until - first) * index / corners) * Math.PI / 180)
  path.setAttribute("d", last <= first ? "" : `M0 0L${points.map(turn => `${FAR * Math.cos(turn)} ${FAR * Math.sin(turn)}`).join(" ")}z`)
}

// @param {{across: boolean, box: number[], form: string}} gradient
// @param {number[]} from, to shares of the frame
export function showLaid({ across, box, form }, from, to, squash) {
  if (!shown) return
  each(({ laid }) => laid.forEach(one => lay(one, across, box, form, from, to, squash)))
}

function lay({ server, element, frame }, across, box, form, from, to, squash) {
  const within = across ? box : frame
  let lies = axes(pointIn(within, from), pointIn(within, to), squash)
  if (across) lies = DOMMatrix.fromMatrix(element.getScreenCTM()).inverse().multiply(DOMMatrix.fromMatrix(shown.svg.getScreenCTM())).multiply(lies)
  form === "conic" ? turn(server, lies, frame) : server.setAttribute("gradientTransform", written(lies))
}

// As Magpie::Painters::Laid has it: a unit of one size, and one tile round the part.
function turn(server, lies, frame) {
  const [left, top, width, height] = frame, longest = Math.max(width, height), unit = longest / 2 / Math.hypot(lies.a, lies.b)
  const sized = lies.multiply(new DOMMatrix([unit, 0, 0, unit, 0, 0])), more = longest * BEYOND
  const tile = around(sized.inverse(), [left - more, top - more, width + 2 * more, height + 2 * more])
  server.setAttribute("patternTransform", written(sized))
  for (const [index, name] of ["x", "y", "width", "height"].entries()) server.setAttribute(name, tile[index])
  server.setAttribute("viewBox", tile.join(" "))
}
