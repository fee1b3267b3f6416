// What would be filled of a picture, outlined while one chooses, and the place that keys point at.
import { fit, root } from "./outline.js"
import { find, whenPageChanges } from "./page.js"
import { stage } from "./stage.js"

const SVG = "http://www.w3.org/2000/svg"
const HOW = ["tolerance", "where", "gap", "soft"]

let asked = null // the question that is under way, or wanted next
let mark = null // [x, y] in units of the drawing

const layer = () => find("#filling")

// @returns {[number, number]} in units of the drawing
export function placeOf({ clientX, clientY }) {
  const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(root().getScreenCTM().inverse())
  return [x, y]
}

// Outlines it, as a form says. One question at a time; the last that was asked meanwhile comes next.
// @param {Object} from x and y of a place, or part: the number of a patch
// @param {HTMLFormElement} form
export async function outlineFrom(from, form) {
  const said = new FormData(form), waiting = asked !== null
  asked = `${stage().dataset.path}/like.json?${new URLSearchParams({ ...from, ...Object.fromEntries(HOW.map(name => [name, said.get(name)])) })}`
  if (waiting) return
  while (asked) {
    const address = asked, answer = await fetch(address).then(found => found.ok ? found.json() : null, () => null)
    if (asked && answer) draw(answer)
    if (asked === address) asked = null
  }
}

export function clearOutline() {
  asked = null
  show([])
}

// @param {[number, number] | null} at in units of the drawing
export function markAt(at) {
  mark = at
  show([...layer()?.querySelectorAll("[data-found]") ?? []])
}

const draw = ({ outline, matrix }) => show(["outline-under", "outline-over"].map(name => path({ d: outline, transform: matrix, class: name, "data-found": "" })))

// A line without length is a dot that keeps its size on the screen.
function show(found) {
  if (!layer() || !root()) return
  fit(layer(), root())
  const dots = mark ? ["fill-mark-under", "fill-mark-over", "fill-mark-in"].map(name => path({ d: `M${mark.join(" ")}h0`, class: name })) : []
  layer().replaceChildren(...found, ...dots)
}

function path(attributes) {
  const made = document.createElementNS(SVG, "path")
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value)
  return made
}

whenPageChanges(() => { if (mark && layer()?.childElementCount === 0) show([]) })
