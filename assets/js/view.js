// Looking: zoom from all of a picture to 64 times its pixels, or of a drawing to 64 times
// its size, and pan. What stands side by side shows the same part of each.
import { all, find, whenPageChanges } from "./page.js"
import { shortcut } from "./shortcuts.js"

const VIEWED = ".picture, #stage, .stage-beside"
const ROOM = ".picture-room, .stage-room"
const LARGEST = 64
const GRID_FROM = 8
const SHARP_FROM = 2
const STEP = 1.5
const views = new Map() // the first picture's address → { scale, u, v }; scale null is all of it

const first = () => find("#picture, #stage")
const drawn = picture => picture.matches(".stage-drawing")
const room = picture => picture.parentElement
const view = () => {
  const key = first().dataset.drawn ?? first().dataset.path // colourways are looked at in the same place
  if (!views.has(key)) views.set(key, { scale: null, u: 0.5, v: 0.5 })
  return views.get(key)
}

export const size = picture => ({ width: Number(picture.dataset.width), height: Number(picture.dataset.height) })

// CSS pixels to a pixel of the picture.
export const scaleOf = picture => picture.getBoundingClientRect().width / size(picture).width

// The pixel of a picture under a point of the window.
export function pixelAt(picture, clientX, clientY) {
  const box = picture.getBoundingClientRect(), { width, height } = size(picture)
  const within = (value, side) => Math.min(Math.max(Math.floor(value * side), 0), side - 1)
  return { x: within((clientX - box.left) / box.width, width), y: within((clientY - box.top) / box.height, height) }
}

// The point of the window over the middle of a pixel.
export function pointOf(picture, x, y) {
  const box = picture.getBoundingClientRect(), { width, height } = size(picture)
  return { clientX: box.left + (x + 0.5) / width * box.width, clientY: box.top + (y + 0.5) / height * box.height }
}

const fit = picture => Math.min(room(picture).clientWidth / size(picture).width, room(picture).clientHeight / size(picture).height)

const largest = picture => drawn(picture) ? fit(picture) * LARGEST : LARGEST

// Where a side begins, so that its fraction lies in the middle and no gap opens.
const start = (roomSide, side, fraction) => side <= roomSide ? (roomSide - side) / 2 : Math.min(0, Math.max(roomSide - side, roomSide / 2 - fraction * side))

export function apply() {
  if (!first()) return
  const { scale, u, v } = view()
  const across = scale && scale * size(first()).width
  for (const picture of all(VIEWED)) {
    const { width, height } = size(picture), style = picture.style
    picture.classList.toggle("picture-zoomed", scale !== null)
    if (scale === null) for (const name of ["width", "height", "translate"]) style.removeProperty(name)
    else {
      const down = across * height / width
      style.width = `${across}px`
      style.height = `${down}px`
      style.translate = `${start(room(picture).clientWidth, across, u)}px ${start(room(picture).clientHeight, down, v)}px`
    }
    if (drawn(picture)) continue
    const now = scaleOf(picture)
    picture.classList.toggle("picture-sharp", now >= SHARP_FROM)
    const grid = find(".pixel-grid", picture)
    grid.hidden = now < GRID_FROM
    if (!grid.hidden) grid.style.backgroundSize = `${100 / width}% ${100 / height}%`
  }
  const label = find("#zoom-now")
  if (label) label.textContent = drawn(first()) ? `${Number((scaleOf(first()) / fit(first())).toPrecision(2))} ×` : `${Math.round(scaleOf(first()) * 100)} %`
  document.dispatchEvent(new CustomEvent("view:changed"))
}

// Zooms so that what lies under the point stays there.
export function zoom(factor, picture = first(), clientX, clientY) {
  const state = view(), box = picture.getBoundingClientRect(), frame = room(picture).getBoundingClientRect()
  clientX ??= frame.left + frame.width / 2
  clientY ??= frame.top + frame.height / 2
  const u = (clientX - box.left) / box.width, v = (clientY - box.top) / box.height
  const wanted = Math.min(scaleOf(first()) * factor, largest(first()))
  state.scale = wanted <= fit(first()) * 1.001 ? null : wanted
  if (state.scale !== null) {
    const across = state.scale * size(first()).width, down = across * size(picture).height / size(picture).width
    state.u = u + (frame.left + frame.width / 2 - clientX) / across
    state.v = v + (frame.top + frame.height / 2 - clientY) / down
    settle(state, picture, across, down)
  }
  apply()
}

export function pan(dx, dy, picture = first()) {
  const state = view()
  if (state.scale === null) return
  const box = picture.getBoundingClientRect()
  state.u -= dx / box.width
  state.v -= dy / box.height
  settle(state, picture, box.width, box.height)
  apply()
}

// Fractions beyond the edge would have to be panned back before anything moves.
function settle(state, picture, across, down) {
  const within = (fraction, frame, side) => side <= frame ? 0.5 : Math.min(Math.max(fraction, frame / 2 / side), 1 - frame / 2 / side)
  state.u = within(state.u, room(picture).clientWidth, across)
  state.v = within(state.v, room(picture).clientHeight, down)
}

// Zooms and pans to a box of the window, so that it lies in the middle and is easily seen.
export function goTo(box) {
  const picture = first(), frame = room(picture).getBoundingClientRect()
  const across = Math.min(frame.width / 4 / Math.max(box.width, 0.01), frame.height / 4 / Math.max(box.height, 0.01))
  const x = box.left + box.width / 2, y = box.top + box.height / 2
  zoom(across, picture, x, y)
  pan(frame.left + frame.width / 2 - x, frame.top + frame.height / 2 - y, picture)
}

export function showAll() {
  view().scale = null
  apply()
}

// Brings a pixel into view.
export function follow(picture, x, y) {
  const frame = room(picture).getBoundingClientRect(), { clientX, clientY } = pointOf(picture, x, y)
  const beyond = (value, low, high) => value < low + 40 ? low + 40 - value : value > high - 40 ? high - 40 - value : 0
  const dx = beyond(clientX, frame.left, frame.right), dy = beyond(clientY, frame.top, frame.bottom)
  if (dx || dy) pan(dx, dy, picture)
}

export const closer = () => zoom(STEP)
export const farther = () => zoom(1 / STEP)

document.addEventListener("wheel", event => {
  const frame = event.target.closest?.(ROOM)
  if (!frame) return
  event.preventDefault()
  const unit = event.deltaMode === 1 ? 16 : 1
  if (event.shiftKey) return pan(-event.deltaY * unit, 0, find(VIEWED, frame))
  zoom(Math.exp(-event.deltaY * unit * (event.ctrlKey ? 0.01 : 0.0016)), find(VIEWED, frame), event.clientX, event.clientY)
}, { passive: false })

document.addEventListener("click", event => {
  const button = event.target.closest("[data-zoom]")
  if (button) ({ in: closer, out: farther, fit: showAll })[button.dataset.zoom]()
})

for (const [name, look] of Object.entries({ closer, farther, fit: showAll })) shortcut(name, () => first() ? look() : false)

document.addEventListener("load", event => { if (event.target.matches?.(".picture-image")) apply() }, true)
addEventListener("resize", apply)
whenPageChanges(apply)
