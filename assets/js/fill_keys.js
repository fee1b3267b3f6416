// Filling patches of a picture by keys: arrows move a mark over it, what would be filled from there
// is outlined, Enter fills it.
import { clearOutline, markAt, outlineFrom, placeOf } from "./fill_outline.js"
import { find, submit, whenPageChanges } from "./page.js"
import { root } from "./outline.js"
import { stage, tool } from "./stage.js"
import { follow, size } from "./view.js"

const STEP = 4, FAR = 40 // px of the screen; with Shift
const LAST = 0.9999 // what lies on the very edge is in no pixel

let at = null // { u, v } shares of the stage

const form = () => find("#fill-form")
const within = share => Math.min(Math.max(share, 0), LAST)

// Where it is, in units of the drawing.
function place() {
  const { left, top, width, height } = stage().getBoundingClientRect()
  return placeOf({ clientX: left + at.u * width, clientY: top + at.v * height })
}

function move(across, down, step) {
  const { width, height } = stage().getBoundingClientRect(), drawn = size(stage())
  at = at ? { u: within(at.u + across * step / width), v: within(at.v + down * step / height) } : { u: 0.5, v: 0.5 }
  follow(stage(), at.u * drawn.width, at.v * drawn.height)
  markAt(place())
  outlineAgain()
}

function outlineAgain() {
  const [x, y] = place()
  outlineFrom({ x, y }, form())
}

const by = (across, down) => event => { if (root() && form()) move(across, down, event.shiftKey ? FAR : STEP) }

function fill() {
  if (!at || !form()) return
  form().elements.points.value = JSON.stringify([place()])
  submit(form())
}

export function forgetMark() {
  if (!at) return
  at = null
  markAt(null)
  clearOutline()
}

// What keys do on the artwork while the tool is Fill.
export const onPicture = { ArrowRight: by(1, 0), ArrowLeft: by(-1, 0), ArrowDown: by(0, 1), ArrowUp: by(0, -1), Enter: fill, Escape: forgetMark }

// The tolerance, and how else it is looked for, is set while the mark stands.
document.addEventListener("input", event => { if (at && event.target.form === form()) outlineAgain() })
whenPageChanges(() => { if (tool() !== "fill") forgetMark() })
