// The middle button, or L held down, looks at another part: it goes before whatever else a
// press would mean there.
import { pan } from "./view.js"
import { typing } from "./page.js"

let looking = false // L is held down
let moved = null // { x, y, picture } while it is panned

export const panning = () => moved !== null

const viewed = event => event.target.closest?.(".picture-room, .stage-room")?.querySelector(".picture, .stage-drawing")

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
addEventListener("keydown", event => { if (event.key.toLowerCase() === "l" && !typing(event.target) && !(event.ctrlKey || event.metaKey || event.altKey)) mark(true) })
addEventListener("keyup", event => { if (event.key.toLowerCase() === "l") mark(false) })
addEventListener("blur", () => mark(false))
