// A pattern as it would lie, shown on the parts that are picked while a handle is dragged. They
// get copies of what paints them; the server's answer settles it.
import { part } from "./drawings.js"
import { around, written } from "./lying.js"
import { written as byHand } from "./pattern_handles.js"
import { preview } from "./previews.js"

const PAINT = { fill: "fill", line: "stroke" }
const BEYOND = 0.5 // of a part, see Magpie::Painters::Laid
const LIVE = 30 // parts that follow each frame; where there are more, the smaller ones wait
const REST = 120 // ms after which those follow that wait

let shown = null // { host, defs, groups: [[{ server, frame, lies }]] }
let resting = null

const middle = ([left, top, width, height]) => [left + width / 2, top + height / 2]

// @param {Iterable<number>} numbers of parts
// @param {boolean} once does each part have one tile, in its own middle? Otherwise one server
//   paints many
export function begin(host, numbers, role, once) {
  end()
  const svg = host.shadowRoot.querySelector("svg"), attribute = PAINT[role], painted = []
  for (const number of numbers) {
    const element = part(host, number), id = element?.getAttribute(attribute)?.match(/^url\(#(.+)\)$/)?.[1], found = id && svg.getElementById(id)
    if (found?.dataset.frame) painted.push({ element, found, size: area(found) })
  }
  painted.sort((one, two) => two.size - one.size)
  const groups = [painted.slice(0, LIVE), painted.slice(LIVE)].map((some, group) => {
    const servers = new Map()
    for (const { element, found } of some) {
      const of = once ? found.id : found.getAttribute("href")
      if (!servers.has(of)) servers.set(of, copied(found, `${group}-${servers.size}`))
      preview(element, attribute, `url(#${servers.get(of).server.id})`)
    }
    return [...servers.values()]
  })
  const defs = document.createElementNS(svg.namespaceURI, "defs")
  defs.dataset.preview = ""
  defs.append(...groups.flat().map(({ server }) => server))
  svg.prepend(defs)
  shown = { host, defs, groups }
}

function area({ dataset: { frame } }) {
  const [, , width, height] = frame.split(" ").map(Number)
  return width * height
}

function copied(found, number) {
  const server = found.cloneNode(true), { matrix } = found.patternTransform.baseVal.consolidate() ?? {}
  server.id = `preview-${number}`
  return { server, frame: found.dataset.frame.split(" ").map(Number), lies: DOMMatrix.fromMatrix(matrix) }
}

// @param {Object} state see pattern_handles.js
export function show(state) {
  const [first, others] = shown?.groups ?? [[], []], of = shown
  lay(first, state)
  if (!others?.length) return
  clearTimeout(resting)
  resting = setTimeout(() => { if (shown === of) lay(others, state) }, REST)
}

function lay(laid, { made, unit, by }) {
  for (const { server, frame, lies } of laid) {
    const now = made.once ? aboutMiddle(frame, made.frame, byHand(by)).multiply(lies) : unit
    server.setAttribute("patternTransform", written(now))
    if (made.once) hold(server, now, frame)
  }
}

// What was done about one part's middle, about another's.
function aboutMiddle(frame, first, by) {
  const [x, y] = middle(frame).map((value, axis) => value - middle(first)[axis])
  return new DOMMatrix().translate(x, y).multiply(by).translate(-x, -y)
}

// One tile that holds all of the part, so that nothing is repeated.
function hold(server, lies, [left, top, width, height]) {
  const more = Math.max(width, height) * BEYOND, tile = around(lies.inverse(), [left - more, top - more, width + 2 * more, height + 2 * more])
  for (const [index, name] of ["x", "y", "width", "height"].entries()) server.setAttribute(name, tile[index])
  server.setAttribute("viewBox", tile.join(" "))
}

export function end() {
  clearTimeout(resting)
  shown?.defs.remove()
  shown = null
}

document.addEventListener("drawing:painted", event => { if (event.target === shown?.host) end() })
