// Cutting a piece out of a picture: dragging round it draws a free outline, clicks set corners.
import { find, whenPageChanges } from "./page.js"

const FAR = 6 // px after which a press draws freely
const APART = 3 // px between two points of a free outline
const MOST = 1500
let corners = [], free = false, pressed = null, mark = null

const field = () => find("#cut")

whenPageChanges(() => {
  if (!field()) { corners = []; mark = null; return }
  show()
})

function place(event) {
  const box = field().getBoundingClientRect(), share = (value, from, size) => Math.min(1, Math.max(0, (value - from) / size))
  return [share(event.clientX, box.x, box.width), share(event.clientY, box.y, box.height)]
}

function show() {
  const points = corners.map(([x, y]) => `${x},${y}`).join(" ")
  for (const polygon of field().querySelectorAll("polygon")) polygon.setAttribute("points", points)
  const circle = find("circle", field()), box = field().getBoundingClientRect()
  const [x, y] = mark ?? corners.at(-1) ?? [-1, -1]
  Object.entries({ cx: x, cy: y, r: 5 / (box.width || 1) }).forEach(([name, value]) => circle.setAttribute(name, value))
  find("#cut-corners").value = corners.map(([x, y]) => `${x.toFixed(5)},${y.toFixed(5)}`).join(" ")
  find("#cut-it").disabled = corners.length < 3
  const straight = find("#cut-straight")
  straight.disabled = free || corners.length !== 4
  if (straight.disabled) straight.checked = false
}

function begin() {
  corners = []
  free = false
  show()
}

document.addEventListener("pointerdown", event => {
  if (!event.target.closest?.("#cut") || event.button !== 0) return
  event.preventDefault()
  field().focus({ preventScroll: true })
  mark = null
  pressed = { x: event.clientX, y: event.clientY, drawn: false }
})

document.addEventListener("pointermove", event => {
  if (!pressed) return
  const far = Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y)
  if (!pressed.drawn && far < FAR) return
  if (!pressed.drawn) {
    corners = [place({ clientX: pressed.x, clientY: pressed.y })]
    free = pressed.drawn = true
  }
  if (far < APART && corners.length > 1 || corners.length >= MOST) return
  Object.assign(pressed, { x: event.clientX, y: event.clientY })
  corners.push(place(event))
  show()
})

document.addEventListener("pointerup", event => {
  if (!pressed) return
  const { drawn } = pressed
  pressed = null
  if (drawn) return
  if (free) begin()
  corners.push(place(event))
  show()
})
document.addEventListener("pointercancel", () => { pressed = null })

document.addEventListener("click", event => { if (event.target.id === "cut-none") begin() })

document.addEventListener("keydown", event => {
  if (event.target !== field() || event.altKey || event.ctrlKey || event.metaKey) return
  const step = event.shiftKey ? 0.05 : 0.005
  const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key]
  if (by) mark = (mark ?? corners.at(-1) ?? [0.5, 0.5]).map((value, axis) => Math.min(1, Math.max(0, value + by[axis])))
  else if (event.key === "Enter") {
    if (free) corners = []
    free = false
    corners.push(mark ?? [0.5, 0.5])
  } else if (event.key === "Backspace") corners = free ? [] : corners.slice(0, -1)
  else if (event.key === "Escape" && corners.length) corners = []
  else return
  event.preventDefault()
  event.stopImmediatePropagation()
  show()
}, true)
