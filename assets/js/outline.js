// What is picked is outlined, on any colour: black under white dashes. What is too small
// to be seen is circled.
import { part } from "./drawings.js"
import { onceAFrame } from "./frames.js"
import { shapeOf } from "./lines.js"
import { find, whenPageChanges } from "./page.js"
import { picked } from "./picks.js"
import { goTo } from "./view.js"

const SVG = "http://www.w3.org/2000/svg"
const SMALL = 9 // px of both sides, below which a part is circled
const RADIUS = 14 // px
const FEW = 20 // small parts that get a circle each; more get one round all of them
const DENSE = 40 // parts from which lines are thinner
const MANY = 400 // parts from which each is a box
const DROPPED = ["id", "data-part", "filter", "mask", "opacity", "clip-path", "style", "class", "marker-start", "marker-mid", "marker-end", "stroke-dashoffset", "stroke-linecap",
  "stroke-linejoin", "fill", "stroke", "fill-opacity", "stroke-opacity", "stroke-width", "stroke-dasharray"]

const host = () => find("#stage-drawing")
const layer = () => find("#outline")
export const root = () => host()?.shadowRoot?.querySelector("svg")

// A layer's units are the drawing's, so that it need not be drawn again when one zooms.
export function fit(above, svg) {
  for (const name of ["viewBox", "preserveAspectRatio"]) svg.hasAttribute(name) ? above.setAttribute(name, svg.getAttribute(name)) : above.removeAttribute(name)
}

function element(name, attributes) {
  const made = document.createElementNS(SVG, name)
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value)
  return made
}

const matrixOf = (shape, svg) => svg.getScreenCTM().inverse().multiply(shape.getScreenCTM())
const written = ({ a, b, c, d, e, f }) => `matrix(${a} ${b} ${c} ${d} ${e} ${f})`

function outlined(shape, svg, many) {
  const transform = written(matrixOf(shape, svg))
  const copy = () => many ? box(shape) : bare(shape)
  return ["outline-under", "outline-over"].map(name => {
    const made = copy()
    made.setAttribute("transform", transform)
    made.setAttribute("class", name)
    return made
  })
}

function box(shape) {
  const { x, y, width, height } = shape.getBBox()
  return element("rect", { x, y, width, height })
}

function bare(shape) {
  const copy = shapeOf(shape).cloneNode(true), { outline } = copy.dataset ?? {}
  if (outline) copy.setAttribute("d", outline) // what the pointer meets of it is coarser
  for (const node of [copy, ...copy.querySelectorAll("*")]) for (const name of DROPPED) node.removeAttribute(name)
  if (shape.closest("text")) for (const name of ["font-family", "font-size", "font-weight", "font-style", "text-anchor", "letter-spacing"]) copy.style.setProperty(name, getComputedStyle(shape).getPropertyValue(name))
  return copy
}

// Parts that can be drawn: a stop of a gradient is none.
export const shapes = numbers => [...numbers].map(number => part(host(), number)).filter(shape => shape?.getScreenCTM?.())

export function outline() {
  if (!layer()) return
  const svg = root(), numbers = picked()
  layer().replaceChildren()
  layer().dataset.outlined = [...numbers].join(",")
  if (!svg || numbers.size === 0) return circles()
  fit(layer(), svg)
  const found = shapes(numbers), many = found.length > MANY
  layer().classList.toggle("outlines-dense", found.length > DENSE)
  layer().append(...found.flatMap(shape => outlined(shape, svg, many)))
  circles()
}

// Shows where some parts are, besides those that are picked.
// @param {Array<Element>} found of the drawing
export function where(found) {
  const svg = root(), above = find("#where")
  if (!svg || !above) return
  fit(above, svg)
  above.replaceChildren(...found.filter(shape => shape.getScreenCTM).flatMap(shape => outlined(shape, svg, found.length > MANY)))
}

// Circles keep their size on the screen.
const circles = onceAFrame(() => {
  const above = find("#circles")
  if (!above || !layer()) return
  const found = shapes(picked()).slice(0, MANY), frame = find("#stage").getBoundingClientRect()
  const small = found.map(shape => shape.getBoundingClientRect()).filter(({ width, height }) => width < SMALL && height < SMALL)
  const rings = small.length > FEW ? [around(small)] : small
  above.replaceChildren(...rings.flatMap(({ left, top, width, height }) => {
    const wide = Math.max(width, RADIUS * 2), high = Math.max(height, RADIUS * 2)
    const at = { x: left + width / 2 - wide / 2 - frame.left, y: top + height / 2 - high / 2 - frame.top, width: wide, height: high, rx: RADIUS }
    return [element("rect", { ...at, class: "outline-under" }), element("rect", { ...at, class: "outline-over" })]
  }))
  const button = find("#go-to")
  if (button) button.hidden = !(found.length && (small.length || !found.some(inRoom)))
})

function inRoom(shape) {
  const box = shape.getBoundingClientRect(), room = find(".stage-room").getBoundingClientRect()
  return box.right > room.left && box.left < room.right && box.bottom > room.top && box.top < room.bottom
}

// The box of the window round others.
function around(boxes) {
  const left = Math.min(...boxes.map(box => box.left)), top = Math.min(...boxes.map(box => box.top))
  return { left, top, width: Math.max(...boxes.map(box => box.right)) - left, height: Math.max(...boxes.map(box => box.bottom)) - top }
}

export function goToPicked() {
  const boxes = shapes(picked()).map(shape => shape.getBoundingClientRect())
  if (boxes.length) goTo(around(boxes))
}

document.addEventListener("click", event => { if (event.target.closest("#go-to")) goToPicked() })
for (const event of ["parts:picked", "drawing:painted"]) document.addEventListener(event, outline)
document.addEventListener("view:changed", circles)
whenPageChanges(outline)
