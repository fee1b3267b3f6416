// Reading a colour off the artwork: with its tool, or while a key is held down, from within any
// other. It is put in hand: what a part is painted with, and with Shift what is seen there.
import { part, topUnder } from "./drawings.js"
import { find } from "./page.js"
import { act } from "./queue.js"
import { shortcut } from "./shortcuts.js"
import { host, stage, target } from "./stage.js"

let held = false // the key is held down

export const reading = () => held || find(".dress")?.dataset.tool === "read"

function mark(on) {
  held = on
  document.documentElement.toggleAttribute("data-reading", on)
}
shortcut("read_within", () => stage() ? mark(true) : false, { end: () => mark(false) })

// Before the press means anything else.
document.addEventListener("pointerdown", event => {
  if (!stage() || !reading() || event.button !== 0 || !event.target.closest?.(".stage-room")) return
  event.preventDefault()
  event.stopImmediatePropagation()
  event.shiftKey ? seen(event) : own(event)
}, true)

// A finger that stays reads, whatever the tool.
document.addEventListener("stage:read", ({ detail }) => { if (stage()) own(detail) })

// The window waits for its forms; these are made here, and carry their token with the request.
const send = (path, fields) => act({ path, fields: Object.entries({ once: crypto.randomUUID(), ...fields }).map(([name, value]) => [name, String(value)]) })

function own({ clientX, clientY }) {
  const shape = part(host(), topUnder(host(), clientX, clientY))
  if (!shape) return
  const { path } = stage().dataset
  send(`${path}/read`, { part: shape.dataset.part, role: target() })
}

function seen({ clientX, clientY }) {
  const box = stage().getBoundingClientRect()
  send(`${stage().dataset.path}/read`, { across: (clientX - box.left) / box.width, down: (clientY - box.top) / box.height })
}
