// The part under the pointer says its name, and is outlined thinly.
import { topUnder } from "./drawings.js"
import { onceAFrame } from "./frames.js"
import { find, whenPageChanges } from "./page.js"
import { host } from "./stage.js"
import { pressing } from "./waiting.js"

const names = new Map() // artwork → promise of labels by number
const label = Object.assign(document.createElement("div"), { className: "part-name", hidden: true, ariaHidden: "true" })
let shown = null

// @returns {Promise<Array<string>>}
export function labels() {
  const artwork = `${host().dataset.artwork} ${find("#tools")?.dataset.labels}` // a name may have changed
  if (!names.has(artwork)) names.set(artwork, fetch(`${find("#stage").dataset.path}/labels.json`).then(answer => answer.json()).then(said => said.labels).catch(() => { names.delete(artwork); return [] }))
  return names.get(artwork)
}

const look = onceAFrame(async event => {
  const number = event.target.closest?.(".stage-room") && !pressing() ? topUnder(host(), event.clientX, event.clientY) : undefined
  if (number === undefined) return hide()
  label.style.transform = `translate(${Math.min(event.clientX + 14, innerWidth - 220)}px, ${event.clientY + 18}px)`
  if (shown === number) return
  shown = number
  const name = (await labels())[number]
  if (shown !== number || !name) return
  label.textContent = name
  label.hidden = false
  if (!label.isConnected) document.body.append(label)
})

function hide() {
  shown = null
  label.hidden = true
}

document.addEventListener("pointermove", event => { if (host()) look(event) })
document.addEventListener("pointerdown", hide)
document.addEventListener("pointerleave", hide)
whenPageChanges(hide)
