// Two fingers on a picture or artwork look at it: apart and together is closer and farther,
// along is at another part. What the first finger had begun is called off; the one that is
// left over does nothing more.
import { callOffTouch, viewed } from "./fingers.js"
import { pan, zoom } from "./view.js"

const fingers = new Map() // pointerId → { x, y }
let picture = null // what two fingers are on

export const pinching = () => picture !== null

document.addEventListener("pointerdown", event => {
  const on = event.pointerType === "touch" && viewed(event)
  if (!on) return
  fingers.set(event.pointerId, place(event))
  if (fingers.size === 2 && !picture) {
    picture = on
    callOffTouch(event.target)
  }
  if (picture) swallow(event)
}, true)

document.addEventListener("pointermove", event => {
  if (!fingers.has(event.pointerId)) return
  const before = middle()
  fingers.set(event.pointerId, place(event))
  if (!picture) return
  swallow(event)
  if (fingers.size !== 2) return
  const now = middle()
  pan(now.x - before.x, now.y - before.y, picture)
  if (before.apart > 0 && now.apart > 0) zoom(now.apart / before.apart, picture, now.x, now.y)
}, true)

for (const end of ["pointerup", "pointercancel"]) document.addEventListener(end, event => {
  if (!event.isTrusted || !fingers.delete(event.pointerId) || !picture) return
  swallow(event)
  if (fingers.size === 0) picture = null
}, true)

const place = ({ clientX, clientY }) => ({ x: clientX, y: clientY })

function middle() {
  const [one, other = one] = fingers.values()
  return { x: (one.x + other.x) / 2, y: (one.y + other.y) / 2, apart: Math.hypot(one.x - other.x, one.y - other.y) }
}

function swallow(event) {
  event.preventDefault()
  event.stopImmediatePropagation()
}
