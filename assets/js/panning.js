// The middle button, or a key held down, looks at another part: it goes before whatever else a
// press would mean there.
import { viewed } from "./fingers.js"
import { pinching } from "./pinch.js"
import { pan } from "./view.js"
import { find } from "./page.js"
import { shortcut } from "./shortcuts.js"

let looking = false // the key is held down
let moved = null // { x, y, picture } while it is panned

export const panning = () => moved !== null || pinching()

document.addEventListener("pointerdown", event => {
  const picture = viewed(event)
  if (!picture || !(event.button === 1 || looking && event.button === 0)) return
  event.preventDefault()
  event.stopImmediatePropagation()
  moved = { x: event.clientX, y: event.clientY, picture }
  document.dispatchEvent(new CustomEvent("view:panning"))
}, true)

document.addEventListener("pointermove", event => {
  if (!moved) return
  pan(event.clientX - moved.x, event.clientY - moved.y, moved.picture)
  moved = { ...moved, x: event.clientX, y: event.clientY }
})

for (const end of ["pointerup", "pointercancel"]) document.addEventListener(end, event => {
  if (!moved) return
  moved = null
  event.stopImmediatePropagation()
}, true)

const mark = held => {
  looking = held
  document.documentElement.toggleAttribute("data-looking", held)
}
shortcut("look", () => find(".picture-room, .stage-room") ? mark(true) : false, { end: () => mark(false) })
