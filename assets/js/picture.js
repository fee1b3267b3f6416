// Reading a picture: press, drag and watch, let go to take; Esc takes nothing. Or
// the arrow keys and Enter. An outline is drawn by dragging, or corner by corner.
import { partsUnder as partsOf } from "./drawings.js"
import { sayLater } from "./announce.js"
import { whenCalledOff } from "./called_off.js"
import { all, find, submit, whenPageChanges } from "./page.js"
import { hide, show } from "./loupe.js"
import { panning } from "./panning.js"
import { toHex } from "./pixels.js"
import { follow, pan, pixelAt, pointOf, scaleOf, size } from "./view.js"

let pressed = null // { picture, corners } while the pointer is down
let hovered = null // the latest pointer event, drawn once a frame
let keyed = null // { picture, x, y } while the probe is moved by key
let corners = [] // of an outline that is drawn by key

const probe = () => find("#probe input:checked")?.value ?? "5"
const side = () => Number(probe()) || 1
const pictureOf = event => event.target.closest?.(".picture")
const own = picture => picture.dataset.own

document.addEventListener("pointermove", event => {
  if (panning()) return
  if (!hovered) requestAnimationFrame(frame)
  hovered = event
})

function frame() {
  const event = hovered
  hovered = null
  const picture = pressed?.picture ?? pictureOf(event)
  if (!picture || event.target.closest?.(".pin") || panning()) return keyed || hide()
  watch(picture, event)
}

// Shows what lies under the pointer, and while it is pressed what will be taken.
function watch(picture, event) {
  const pixel = pixelAt(picture, event.clientX, event.clientY)
  if (pressed?.corners) return drawOn(picture, event)
  const value = show(picture, pixel, event, side(), own(picture) && paintUnder(picture, event))
  cross(picture, scaleOf(picture) >= 8 ? pixel : null)
  if (pressed && value) preview(value)
}

function drawOn(picture, event) {
  hide()
  const box = picture.getBoundingClientRect(), { width, height } = size(picture)
  pressed.corners.push([(event.clientX - box.left) / box.width * width, (event.clientY - box.top) / box.height * height])
  drawOutline(picture, pressed.corners)
}

document.addEventListener("pointerdown", event => {
  const picture = pictureOf(event)
  if (!picture || event.target.closest(".pin")) return
  if (event.button !== 0 || !event.isPrimary) return
  event.preventDefault()
  picture.focus({ preventScroll: true })
  forget()
  pressed = { picture, corners: probe() === "round" && !own(picture) ? [] : null }
  watch(picture, event)
})

document.addEventListener("pointerup", event => {
  if (!pressed || !event.isPrimary) return
  const { picture, corners } = pressed
  pressed = null
  if (corners) return corners.length > 2 ? take(picture, { corners }) : drawOutline(picture, [])
  if (own(picture)) return takePaint(picture, event)
  take(picture, pixelAt(picture, event.clientX, event.clientY))
})

// Esc while pressed takes nothing, nor does what the browser takes over.
whenCalledOff(() => pressed || keyed, () => {
  if (!pressed && !keyed) return
  drawOutline((pressed ?? keyed).picture, [])
  pressed = null
  forget()
  restore()
})
document.addEventListener("view:panning", hide)

document.addEventListener("keydown", event => {
  const picture = event.target
  if (!picture.matches?.(".picture") || event.altKey || event.metaKey) return
  const step = event.shiftKey ? 10 : 1
  const move = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key]
  if (move && event.ctrlKey) pan(-move[0] * 60, -move[1] * 60, picture)
  else if (move) stepBy(picture, move)
  else if (event.key === "Enter" && keyed) enter(picture, event.shiftKey)
  else if (event.key === "Backspace" && corners.length) drawOutline(picture, corners = corners.slice(0, -1))
  else return
  event.preventDefault()
})

function stepBy(picture, [dx, dy]) {
  const { width, height } = size(picture)
  keyed ??= { picture, x: Math.floor(width / 2), y: Math.floor(height / 2) }
  keyed = { picture, x: Math.min(Math.max(keyed.x + dx, 0), width - 1), y: Math.min(Math.max(keyed.y + dy, 0), height - 1) }
  follow(picture, keyed.x, keyed.y)
  const words = own(picture) && paintUnder(picture, pointOf(picture, keyed.x, keyed.y))
  const value = show(picture, keyed, pointOf(picture, keyed.x, keyed.y), side(), words)
  sayLater(`${value ?? (words || "transparent")} at ${keyed.x}, ${keyed.y}`)
  cross(picture, keyed)
}

function enter(picture, closing) {
  if (own(picture)) return takePaint(picture, pointOf(picture, keyed.x, keyed.y))
  if (probe() !== "round") return take(picture, keyed)
  if (closing) {
    if (corners.length > 2) take(picture, { corners })
    return
  }
  corners.push([keyed.x + 0.5, keyed.y + 0.5])
  drawOutline(picture, corners)
}

function cross(picture, pixel) {
  const mark = find(".cross", picture), { width, height } = size(picture)
  mark.hidden = !pixel
  if (!pixel) return
  mark.style.left = `${(pixel.x + 0.5) / width * 100}%`
  mark.style.top = `${(pixel.y + 0.5) / height * 100}%`
  mark.style.width = `${side() / width * 100}%`
  mark.style.height = `${side() / height * 100}%`
}

export function drawOutline(picture, points) {
  const path = typeof points === "string" ? points : points.length ? `M${points.map(point => point.join(" ")).join("L")}` : ""
  for (const line of all(".outlines path", picture)) line.setAttribute("d", path)
}

// The colour that would be taken, where the last reading stands and in the hand.
function preview(value) {
  find("#app").classList.add("app-watching")
  for (const element of all("#in-hand, #reading-now")) element.style.setProperty("--watched", value)
}

function restore() {
  find("#app").classList.remove("app-watching")
  for (const element of all("#in-hand, #reading-now")) element.style.removeProperty("--watched")
}

// A press begins anew; so does what follows a page change.
function forget() {
  if (keyed) cross(keyed.picture, null)
  keyed = null
  corners = []
  hide()
}

const partsUnder = (picture, { clientX, clientY }) => partsOf(find("[data-drawing]", picture), clientX, clientY)

// What the part on top says of itself, whatever lies over it.
function paintUnder(picture, point) {
  const [part] = partsUnder(picture, point)
  if (!part) return "no part here"
  const paint = getComputedStyle(part)[own(picture) === "line" ? "stroke" : "fill"]
  return paint === "none" ? `no ${own(picture)}` : paint.startsWith("url") ? `${own(picture)}: a gradient or pattern` : `${toHex(paint)}, own ${own(picture)}`
}

function takePaint(picture, point) {
  const keys = [...new Set(partsUnder(picture, point).map(part => part.dataset.part))]
  hide()
  if (keys.length) take(picture, { ...pixelAt(picture, point.clientX, point.clientY), part: keys[0], stack: keys.slice(0, 8).join(",") })
}

function take(picture, { x, y, corners, part, stack }) {
  const form = find("#take"), fields = form.elements
  form.action = part ? picture.dataset.take.replace(/readings$/, "paints") : picture.dataset.take
  Object.assign(fields.x, { value: x ?? "" })
  fields.y.value = y ?? ""
  fields.probe.value = probe()
  fields.corners.value = corners ? corners.map(([u, v]) => `${u.toFixed(1)},${v.toFixed(1)}`).join(" ") : ""
  fields.part.value = part ?? ""
  fields.role.value = own(picture) ?? ""
  fields.stack.value = stack ?? ""
  fields.group.value = find("#keep-group")?.value ?? ""
  submit(form)
}

// A part that lies below the one that was read.
document.addEventListener("click", event => {
  const button = event.target.closest("[data-part-below]")
  if (!button) return
  const stack = [button.dataset.partBelow, ...all("[data-part-below]").map(other => other.dataset.partBelow)]
  const shown = new URL(location.href).searchParams.get("stack")
  take(find("#picture"), { x: button.dataset.x, y: button.dataset.y, part: stack[0], stack: shown ?? stack.join(",") })
})

document.addEventListener("focusout", event => { if (event.target === keyed?.picture) forget() })

whenPageChanges(() => {
  if (!pressed) restore()
})
