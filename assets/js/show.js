// Colourways shown to a client in the room: arrow keys or a swipe go from one to the next,
// Esc back to Dress.
import { find, typing } from "./page.js"

const FAR = 60 // px of a swipe

const go = id => find(`#${id}`)?.click()

document.addEventListener("keydown", event => {
  if (!find("#show") || typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return
  const way = { ArrowLeft: "show-before", ArrowRight: "show-next", PageUp: "show-before", PageDown: "show-next", " ": "show-next" }[event.key]
  if (way && !(event.key === " " && event.target.closest("a, button"))) { event.preventDefault(); go(way) }
  if (event.key === "Escape" && !document.fullscreenElement) go("leave-show") // the browser's own Esc leaves the full screen first
})

document.addEventListener("click", event => {
  if (!event.target.closest?.("#full-screen")) return
  document.fullscreenElement ? document.exitFullscreen() : document.documentElement.requestFullscreen().catch(() => null)
})
document.addEventListener("fullscreenchange", () => document.documentElement.toggleAttribute("data-full", document.fullscreenElement !== null))

let from = null
document.addEventListener("pointerdown", event => { from = event.target.closest?.("#show .show-room") && event.isPrimary ? event.clientX : null })
document.addEventListener("pointerup", event => {
  if (from === null) return
  const way = event.clientX - from
  from = null
  if (Math.abs(way) >= FAR) go(way < 0 ? "show-next" : "show-before")
})
document.addEventListener("pointercancel", () => { from = null })
