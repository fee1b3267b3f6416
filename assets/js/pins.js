// Pins: dragged to another place they are read again there; by key, Alt with arrows and Enter.
// Also the outline of the patch that is shown, and its tolerance.
import { sayLater } from "./announce.js"
import { whenCalledOff } from "./called_off.js"
import { all, find, whenPageChanges } from "./page.js"
import { drawOutline } from "./picture.js"
import { hide, show } from "./loupe.js"
import { follow, pixelAt, pointOf, size } from "./view.js"

const FARTHER = 4 // CSS pixels that make a drag of a press
const MOST = 40
const outlines = new Map() // address of the question → outline
let dragged = null // { pin, from, moved }
let asking = null

document.addEventListener("pointerdown", event => {
  const pin = event.target.closest?.(".pin[data-pin]")
  if (!pin || event.button !== 0) return
  event.preventDefault()
  pin.focus({ preventScroll: true })
  dragged = { pin, from: event, moved: false }
})

document.addEventListener("pointermove", event => {
  if (!dragged) return
  dragged.moved ||= Math.hypot(event.clientX - dragged.from.clientX, event.clientY - dragged.from.clientY) > FARTHER
  if (!dragged.moved) return
  const picture = dragged.pin.closest(".picture"), pixel = pixelAt(picture, event.clientX, event.clientY)
  place(dragged.pin, pixel)
  show(picture, pixel, event, Number(find("#probe input:checked")?.value) || 1)
})

document.addEventListener("pointerup", () => {
  if (!dragged) return
  const { pin, moved } = dragged
  dragged = null
  if (moved) readAgain(pin)
})

// The click that ends a drag is none.
document.addEventListener("click", event => {
  const pin = event.target.closest?.(".pin[data-pin]")
  if (pin?.dataset.moved) event.preventDefault(), event.stopPropagation()
}, true)

whenCalledOff(() => dragged?.moved, () => {
  if (!dragged) return
  place(dragged.pin, home(dragged.pin))
  delete dragged.pin.dataset.moved
  dragged = null
  hide()
})

addEventListener("keydown", event => {
  const pin = event.target.closest?.(".pin[data-pin]")
  if (!pin) return
  const step = event.shiftKey ? 10 : 1
  const move = event.altKey && { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key]
  if (!move && !(event.key === "Enter" && pin.dataset.moved)) return
  event.preventDefault()
  event.stopImmediatePropagation()
  if (!move) return readAgain(pin)
  const { width, height } = size(pin.closest(".picture")), at = now(pin)
  const pixel = { x: Math.min(Math.max(at.x + move[0], 0), width - 1), y: Math.min(Math.max(at.y + move[1], 0), height - 1) }
  place(pin, pixel)
  follow(pin.closest(".picture"), pixel.x, pixel.y)
  const value = show(pin.closest(".picture"), pixel, pointOf(pin.closest(".picture"), pixel.x, pixel.y), 5)
  sayLater(`${value ?? "transparent"} at ${pixel.x}, ${pixel.y}`)
}, true)

const home = pin => ({ x: Number(pin.dataset.x), y: Number(pin.dataset.y) })
const now = pin => pin.dataset.moved ? JSON.parse(pin.dataset.moved) : home(pin)

function place(pin, { x, y }) {
  const { width, height } = size(pin.closest(".picture"))
  pin.dataset.moved = JSON.stringify({ x, y })
  pin.style.left = `${(x + 0.5) / width * 100}%`
  pin.style.top = `${(y + 0.5) / height * 100}%`
}

function readAgain(pin) {
  hide()
  post(pin.closest(".picture").dataset.path.replace(/\/(sources|artworks)\/\d+$/, `/finds/${pin.dataset.pin}/again`), now(pin))
}

// Sends what the form for readings would, to another address.
function post(path, values) {
  const form = find("#take")
  form.action = path
  for (const field of form.elements) if (field.name in values) field.value = values[field.name]
  for (const field of form.elements) field.disabled = !(field.name in values || ["authenticity_token", "once", "with", "looked"].includes(field.name))
  form.requestSubmit()
  for (const field of form.elements) field.disabled = false
}

// While the tolerance is dragged the outline is asked for, one question at a time.
document.addEventListener("input", event => {
  if (event.target.id !== "tolerance") return
  event.target.nextElementSibling.textContent = `ΔE ${event.target.value}`
  if (event.target.dataset.at) outline(`${event.target.dataset.at}&tolerance=${event.target.value}`)
})

document.addEventListener("change", event => {
  if (event.target.id !== "tolerance" || !event.target.dataset.again) return
  event.stopPropagation() // it is more than a choice: the find is read again
  post(event.target.dataset.again, { tolerance: event.target.value })
}, true)

async function outline(question) {
  const address = `${find("#picture").dataset.path}/patch.json?${question}` // it names the picture too
  if (outlines.has(address)) return drawOutline(find("#picture"), outlines.get(address))
  const waiting = asking !== null
  asking = address
  if (waiting) return
  while (asking) {
    const asked = asking
    const answer = await fetch(asked).catch(() => null)
    if (answer?.ok) {
      keep(asked, (await answer.json()).outline)
      const picture = find("#picture")
      if (picture && asking === asked && asked.startsWith(`${picture.dataset.path}/`)) drawOutline(picture, outlines.get(asked))
    }
    if (asking === asked) asking = null
  }
}

// The oldest goes when there are too many.
function keep(address, outline) {
  outlines.set(address, outline)
  if (outlines.size > MOST) outlines.delete(outlines.keys().next().value)
}

whenPageChanges(() => {
  for (const pin of all(".pin[data-moved]")) delete pin.dataset.moved
  const patch = find("[data-patch]")
  if (patch) outline(patch.dataset.patch)
})
