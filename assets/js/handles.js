// The handles of what paints a part, on the artwork.
import { part } from "./drawings.js"
import { onceAFrame } from "./frames.js"
import { gradient } from "./gradient.js"
import * as gradients from "./gradient_handles.js"
import { put } from "./handle_shapes.js"
import { find, whenPageChanges } from "./page.js"
import * as patterns from "./pattern_handles.js"
import { host, stage, tool } from "./stage.js"

const layer = () => find("#handles")
const root = () => host()?.shadowRoot?.querySelector("svg")
const of = ({ tile }) => tile ? patterns : gradients

// How things stand.
// @returns {Object|null} { made, local, room, ... }: what the page has of it, from its units to
//   the stage, where on the stage a handle can be reached, and what its kind has besides
export function lies() {
  const made = layer() && tool() === "pick" ? gradient() : null, shape = made && part(host(), made.part)
  if (!shape?.getScreenCTM?.() || !(made.box || made.tile)) return null
  const { left, top } = stage().getBoundingClientRect(), room = stage().closest(".stage-room").getBoundingClientRect()
  const local = new DOMMatrix([1, 0, 0, 1, -left, -top]).multiply(DOMMatrix.fromMatrix((made.across ? root() : shape).getScreenCTM()))
  return of(made).standing({ made, local, room: [room.left - left, room.top - top, room.right - left, room.bottom - top] })
}

// @param {Object} [state] see lies
export function draw(state = lies()) {
  const above = layer()
  if (above) put(above, state ? of(state.made).handles(state) : [])
}

const soon = onceAFrame(() => draw())
for (const event of ["stop:meant", "view:changed", "drawing:painted", "parts:picked"]) document.addEventListener(event, soon)
addEventListener("resize", soon)
whenPageChanges(soon)
