// The pointer on the artwork: picking, drawing a frame, sweeping.
import { part, partsUnder, topUnder } from "./drawings.js"
import { find, submit, visit } from "./page.js"
import { touched } from "./touching.js"
import { panning } from "./panning.js"
import { pick, picked } from "./picks.js"
import { carriedFrom, showCarried } from "./carry.js"
import { preview, takeBack } from "./previews.js"
import { write } from "./numbers.js"
import { whenCalledOff } from "./called_off.js"
import { fillSwept, meet } from "./fill_sweep.js"

const FAR = 5 // px from which a press is a drag
const STEP = 5 // px between two places that a sweep looks at
const MOST = 40 // places that it looks at for one event

export const stage = () => find("#stage")
export const host = () => find("#stage-drawing")
export const tool = () => find(".dress")?.dataset.tool
export const target = other => (find("#target input:checked")?.value === "line") !== Boolean(other) ? "line" : "fill"

let press = null // { x, y, numbers, frame } in Pick, { x, y, swept, role } in Sweep
let cycle = null // { x, y, at } where the last click was, and how far down it picked

const top = ({ clientX, clientY }) => topUnder(host(), clientX, clientY)
const under = ({ clientX, clientY }) => [...new Set(partsUnder(host(), clientX, clientY).map(part => Number(part.dataset.part)))]

document.addEventListener("pointerdown", event => {
  if (!event.target.closest?.(".stage-room:has(#stage)") || !event.isPrimary || event.button !== 0 || panning()) return
  event.preventDefault()
  stage().focus({ preventScroll: true })
  // What is let go outside the window is heard of; nor need the browser look for what lies
  // under each move.
  stage().setPointerCapture(event.pointerId)
  if (tool() === "sweep" || tool() === "carry" && carriedFrom()) return beginSweep(event)
  press = { x: event.clientX, y: event.clientY, shift: event.shiftKey }
})

document.addEventListener("pointermove", event => {
  if (!press || !event.isPrimary) return
  if (event.buttons === 0) return callOff()
  press.role ? sweepTo(event) : frameTo(event)
})

document.addEventListener("pointerup", event => {
  if (!press || !event.isPrimary) return
  const { role, swept, frame } = press
  if (role && role !== "parts") fillSwept()
  if (role) { press = null; if (swept.size) role === "parts" ? give(swept, role, "carry", { from: carriedFrom() }) : give(swept, role) }
  else if (tool() === "carry") takeFrom(event)
  else frame ? pickFrame(event) : click(event)
  leave()
})

whenCalledOff(() => press, callOff)

function callOff() {
  if (!press) return
  if (press.swept?.size) takeBack()
  leave()
}

function leave() {
  press?.box?.remove()
  press = null
}

// A click picks what lies on top; once more at the same place, what lies below.
function click(event) {
  const stack = under(event)
  const again = cycle && Math.hypot(event.clientX - cycle.x, event.clientY - cycle.y) < 3 && !event.shiftKey && picked().size === 1 && picked().has(stack[cycle.at])
  const at = again ? (cycle.at + 1) % stack.length : 0
  cycle = { x: event.clientX, y: event.clientY, at }
  if (stack.length === 0) return event.shiftKey || pick([])
  pick([stack[at]], event.shiftKey ? "toggle" : undefined)
}

function frameTo(event) {
  if (!press.frame && Math.hypot(event.clientX - press.x, event.clientY - press.y) < FAR) return
  if (!press.box) document.body.append(press.box = Object.assign(document.createElement("div"), { className: "select-frame" }))
  press.frame = { left: Math.min(press.x, event.clientX), top: Math.min(press.y, event.clientY), right: Math.max(press.x, event.clientX), bottom: Math.max(press.y, event.clientY) }
  const { left, top, right, bottom } = press.frame
  press.box.style.cssText = `left:${left}px;top:${top}px;width:${right - left}px;height:${bottom - top}px`
}

function pickFrame() {
  pick(touched(host(), press.frame), press.shift ? "add" : undefined)
}

function beginSweep(event) {
  press = { x: event.clientX, y: event.clientY, swept: new Set(), role: tool() === "carry" ? "parts" : target(event.shiftKey) }
  visitPart(top(event), event)
}

// All that lies between two events, so that a fast hand passes nothing over. It is looked
// for before anything is shown: to look after each would make the browser style it all anew.
function sweepTo(event) {
  const way = Math.hypot(event.clientX - press.x, event.clientY - press.y), steps = Math.min(Math.max(Math.ceil(way / STEP), 1), MOST)
  const met = Array.from({ length: steps }, (_, step) => {
    const share = (step + 1) / steps
    const at = { clientX: press.x + (event.clientX - press.x) * share, clientY: press.y + (event.clientY - press.y) * share }
    return [top(at), at]
  })
  for (const [number, at] of met) visitPart(number, at)
  press.x = event.clientX
  press.y = event.clientY
}

// What is carried is taken from the part on top.
function takeFrom(event) {
  const number = top(event), way = new URL(location.href)
  if (number === undefined) return
  way.searchParams.set("from", `${stage().dataset.artwork}.${number}`)
  visit(way.pathname + way.search, "tools hand")
}

// Shows what is in hand at once; the server's answer settles it.
function visitPart(number, at) {
  if (number === undefined && press.role === "fill") return meet(at)
  if (number === undefined || press.swept.has(number)) return
  press.swept.add(number)
  press.role === "parts" ? showCarried(host(), number) : showGiven([number], press.role)
}

// @param {Iterable<number>} numbers
export function showGiven(numbers, role) {
  const held = find("#in-hand"), paint = held && getComputedStyle(held).backgroundColor
  if (!paint || paint === "rgba(0, 0, 0, 0)") return // a gradient or pattern
  for (const number of numbers) {
    const shape = part(host(), number)
    if (shape) preview(shape, role === "line" ? "stroke" : "fill", paint)
  }
}

// @param {Iterable<number>} numbers
// @param {string} act "give" or "clear"
// @param {Object} [more] fields
export function give(numbers, role, act = "give", more = {}) {
  const form = find("#dress-form")
  form.elements.parts.value = write(numbers)
  form.elements.act.value = `${act}-${role}`
  const fields = Object.entries(more).map(([name, value]) => Object.assign(document.createElement("input"), { type: "hidden", name, value }))
  form.append(...fields)
  submit(form)
  for (const field of fields) field.remove()
}

// @param {Iterable<number>} numbers
// @param {string} act of whole parts: "hide", "lock"
export function giveAll(numbers, act) {
  const form = find("#dress-form")
  form.elements.parts.value = write(numbers)
  form.elements.act.value = act
  submit(form)
}

// The opacity of what is picked.
document.addEventListener("change", event => {
  const { opacityOf: role } = event.target.dataset ?? {}
  if (role && event.target.value !== "") give(picked(), role, "opacity", { [`opacity_${role}`]: event.target.value })
})
