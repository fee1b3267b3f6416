// A finger that stays: on the artwork it takes the colour there in hand, whatever the tool;
// elsewhere it shows what a pointer that rests would be told.
import { callOffTouch } from "./fingers.js"
import { tool } from "./stage.js"

const LONG = 500 // ms
const FAR = 8 // px that make another thing of it
const SHOWN = 3000 // ms
const tip = Object.assign(document.createElement("div"), { className: "part-name press-tip", hidden: true })
let press = null // { id, x, y, target, timer, done }
let shown = null

document.addEventListener("pointerdown", event => {
  tip.hidden = true
  end()
  if (event.pointerType !== "touch" || !event.isPrimary) return
  const stage = event.target.closest?.(".stage-room:has(#stage)"), told = event.target.closest?.("[title]")
  if (!(stage && tool() !== "read") && !told?.title) return
  press = { id: event.pointerId, x: event.clientX, y: event.clientY, target: event.target, done: false }
  press.timer = setTimeout(() => stage ? read() : tell(told.title), LONG)
}, true)

document.addEventListener("pointermove", event => {
  if (press?.done) return swallow(event)
  if (press && Math.hypot(event.clientX - press.x, event.clientY - press.y) > FAR) end()
}, true)

for (const type of ["pointerup", "pointercancel"]) document.addEventListener(type, event => {
  if (!event.isTrusted) return
  if (!press?.done) return end()
  swallow(event)
  const ended = press
  setTimeout(() => { if (press === ended) end() }, 300) // ms: the click comes at once, or not at all
}, true)

// A finger that stays on a picture reads it; the browser's own menu would lie over it.
document.addEventListener("contextmenu", event => { if (event.pointerType === "touch" && event.target.closest?.(".picture-room, .stage-room, .slice, .chip, .find, .rack-chip")) event.preventDefault() })

// What ends a long press is no click, and asks for no menu.
for (const type of ["click", "contextmenu"]) document.addEventListener(type, event => {
  if (!press?.done) return
  event.preventDefault()
  event.stopImmediatePropagation()
  if (type === "click") end()
}, true)

function read() {
  press.done = true
  callOffTouch(press.target)
  document.dispatchEvent(new CustomEvent("stage:read", { detail: { clientX: press.x, clientY: press.y } }))
}

function tell(words) {
  press.done = true
  callOffTouch(press.target)
  tip.textContent = words
  tip.hidden = false
  if (!tip.isConnected) document.body.append(tip)
  tip.style.transform = `translate(${Math.max(8, Math.min(press.x - 100, innerWidth - 218))}px, ${press.y > 90 ? press.y - 60 : press.y + 40}px)`
  clearTimeout(shown)
  shown = setTimeout(() => { tip.hidden = true }, SHOWN)
}

function end() {
  clearTimeout(press?.timer)
  press = null
}

function swallow(event) {
  event.preventDefault()
  event.stopImmediatePropagation()
}
