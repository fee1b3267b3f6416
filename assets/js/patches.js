// Test patches: drawn on the artwork with what is in hand, moved, taken off by Delete.
import { whenCalledOff } from "./called_off.js"
import { all, find, submit, whenPageChanges } from "./page.js"
import { panning } from "./panning.js"
import { stage, tool } from "./stage.js"

const FAR = 5 // px from which a press is a drag
const SVG = "http://www.w3.org/2000/svg"
let press = null // { x, y, patch, box, drawn }

const shape = () => find("#patch-form")?.elements.shape.value
const share = ({ clientX, clientY }) => {
  const box = stage().getBoundingClientRect()
  return { x: (clientX - box.left) / box.width, y: (clientY - box.top) / box.height }
}
const within = ({ width, height }) => ({ width: stage().dataset.width * width, height: stage().dataset.height * height })

document.addEventListener("pointerdown", event => {
  if (tool() !== "patch" || !event.target.closest?.(".stage-room:has(#stage)") || !event.isPrimary || event.button !== 0 || panning()) return
  event.preventDefault()
  event.stopImmediatePropagation()
  const patch = event.target.closest(".test-patch")
  patch ? patch.focus() : stage().focus({ preventScroll: true })
  stage().setPointerCapture(event.pointerId)
  press = { from: share(event), at: [event.clientX, event.clientY], patch, to: null }
}, true)

document.addEventListener("pointermove", event => {
  if (!press) return
  if (!press.to && Math.hypot(event.clientX - press.at[0], event.clientY - press.at[1]) < FAR) return
  press.to = share(event)
  press.patch ? shift() : draw()
})

function shift() {
  const { width, height } = within({ width: press.to.x - press.from.x, height: press.to.y - press.from.y })
  press.patch.setAttribute("transform", `translate(${width} ${height})`)
}

// The box between two places of the drawing.
function between() {
  const { from, to } = press
  return { left: Math.min(from.x, to.x), top: Math.min(from.y, to.y), width: Math.abs(to.x - from.x), height: Math.abs(to.y - from.y) }
}

function draw() {
  const { left, top, width, height } = between(), at = within({ width: left, height: top }), size = within({ width, height })
  press.drawn ??= find("#patches").appendChild(document.createElementNS(SVG, shape() === "ellipse" ? "ellipse" : "rect"))
  const given = shape() === "ellipse" ? { cx: at.width + size.width / 2, cy: at.height + size.height / 2, rx: size.width / 2, ry: size.height / 2 } : { x: at.width, y: at.height, width: size.width, height: size.height }
  for (const [name, value] of Object.entries(given)) press.drawn.setAttribute(name, value)
  press.drawn.setAttribute("fill", getComputedStyle(find("#in-hand")).backgroundColor)
}

document.addEventListener("pointerup", event => {
  if (!press) return
  const { patch, from, to } = press
  if (to) patch ? moved(patch, to.x - from.x, to.y - from.y) : laid(between())
  press = null
  event.stopImmediatePropagation()
}, true)

whenCalledOff(() => press, callOff)
addEventListener("keydown", event => {
  const patch = event.target.closest?.(".test-patch")
  if (patch && (event.key === "Delete" || event.key === "Backspace")) send(patch, { act: "remove" })
}, true)

function callOff() {
  press?.drawn?.remove()
  press?.patch?.removeAttribute("transform")
  press = null
}

// A word is as wide as it is written.
whenPageChanges(() => {
  for (const text of all(".test-patch text")) {
    const { width } = text.getBBox()
    if (width) find(".patch-mark", text.parentElement).setAttribute("width", width)
  }
})

function laid(box) {
  const form = find("#patch-form")
  for (const [name, value] of Object.entries(box)) form.elements[name].value = value
  submit(form)
}

function moved(patch, right, down) {
  const box = patch.querySelector(".patch-mark")
  send(patch, { left: box.getAttribute("x") / stage().dataset.width + right, top: box.getAttribute("y") / stage().dataset.height + down })
}

function send(patch, fields) {
  const form = find("#patch-moved")
  form.setAttribute("action", `${stage().dataset.path}/patches/${patch.dataset.testPatch}`)
  for (const name of ["act", "left", "top"]) form.elements[name].value = fields[name] ?? ""
  submit(form)
}
