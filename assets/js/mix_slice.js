// Hands on the Mix sheet: dragging in the slice, scrubbing a channel's letter, nudges.
import { all, find } from "./page.js"
import { onceAFrame } from "./frames.js"
import { ask, latest, notation, settled, sheet, show, take, whenSaid } from "./mix.js"
import { putMark } from "./mix_plane.js"
import { PLANES } from "./mix_notations.js"
import { shortcut } from "./shortcuts.js"

function fromSlice(u, v) {
  const within = value => Math.min(Math.max(value, 0), 1)
  const { plane, ranges } = find("#slice").dataset, { across, up } = JSON.parse(ranges)
  const along = (share, [low, high]) => low + share * (high - low)
  const text = PLANES[plane](along(within(u), across), along(within(v), up), latest().slice.held)
  notation().value = text
  const mark = find("#slice-mark")
  putMark(within(u), within(v))
  if (!text.startsWith("hsb")) show(text, mark)
  ask(text)
}

function inSliceBy(across, up) {
  const { slice } = latest(), moved = (at, by) => Math.min(Math.max(at + by, 0), 1)
  Object.assign(slice, { across: moved(slice.across, across), up: moved(slice.up, up) })
  fromSlice(slice.across, slice.up)
}

const inSlice = onceAFrame(event => {
  if (!latest() || !find("#slice")) return
  const box = find("#slice").getBoundingClientRect()
  fromSlice((event.clientX - box.left) / box.width, 1 - (event.clientY - box.top) / box.height)
})

let scrubbing = null // { input, x, value } while a channel's letter is dragged
document.addEventListener("pointerdown", event => {
  if (event.target.closest?.("#slice") && latest()) {
    event.preventDefault()
    find("#slice").focus({ preventScroll: true })
    find("#slice").dataset.dragged = "true"
    inSlice(event)
  }
  const label = event.target.closest?.("#mix [data-scrub]")
  if (label) {
    event.preventDefault()
    const input = document.getElementById(label.htmlFor)
    scrubbing = { input, x: event.clientX, value: Number(input.value) }
  }
  const nudge = event.target.closest?.("#mix [data-nudge]")
  if (nudge && event.button === 0) hold(nudge.dataset.nudge)
})
document.addEventListener("pointermove", event => {
  if (find("#slice")?.matches("[data-dragged]")) inSlice(event)
  if (!scrubbing) return
  const { input, x, value } = scrubbing
  input.value = value + (event.clientX - x) * Number(input.step || 1) * (event.shiftKey ? 10 : 1)
  input.dispatchEvent(new Event("input", { bubbles: true }))
})
document.addEventListener("pointerup", () => {
  clearInterval(holding)
  if (scrubbing) settled()
  scrubbing = null
  const frame = find("#slice[data-dragged]")
  if (!frame) return
  inSlice.now()
  delete frame.dataset.dragged
  settled()
})

// Nudges by button, held to repeat, and by key.
let holding = null
function hold(step) {
  clearInterval(holding)
  holding = setInterval(() => nudge(step), 220)
}

export async function nudge(step, size = find("#nudge-size").value) {
  if (!latest()) return whenSaid(() => nudge(step, size))
  const question = new URLSearchParams({ notation: notation().value, step, size })
  const answer = await fetch(`/nudge.json?${question}`)
  if (answer.ok && sheet()) take((await answer.json()).notation)
}

document.addEventListener("click", event => {
  const button = event.target.closest?.("#mix [data-nudge]")
  if (button) nudge(button.dataset.nudge)
})

document.addEventListener("keydown", event => {
  if (!sheet() || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.target === find("#slice") && event.key.startsWith("Arrow")) {
    event.preventDefault()
    const step = (event.shiftKey ? 10 : 1) / 100, move = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key]
    return whenSaid(() => inSliceBy(...move))
  }
  if (event.target.matches("#mix input[type=number]") && event.shiftKey && /Arrow(Up|Down)/.test(event.key)) {
    event.preventDefault()
    event.target.value = Number(event.target.value) + (event.key === "ArrowUp" ? 10 : -10) * Number(event.target.step || 1)
    event.target.dispatchEvent(new Event("input", { bubbles: true }))
    return
  }
})

for (const step of ["lighter", "darker", "hue_back", "hue_on", "more_chroma", "less_chroma"]) shortcut(step, () => sheet() ? void nudge(step) : false, { slice: true })
