import { pressing } from "./waiting.js"

// What follows a pointer is drawn once a frame, however often the pointer tells.
// @param {Function} run
// @returns {Function} that runs it at the next frame with the latest arguments; its `now`
//   does not wait for the frame
export function onceAFrame(run) {
  let latest = null
  const draw = () => {
    const given = latest
    latest = null
    if (given) run(...given)
  }
  const soon = (...given) => {
    if (!latest) requestAnimationFrame(draw)
    latest = given
  }
  return Object.assign(soon, { now: draw })
}

// While something is dragged, steps are taken one a frame; otherwise at once. What is
// left of earlier steps gives way.
let left = []
export function spread(steps) {
  if (!pressing()) {
    left = []
    return steps.forEach(step => step())
  }
  const begun = left.length > 0
  left = [...steps]
  if (!begun) requestAnimationFrame(next)
}

function next() {
  left.shift()?.()
  if (left.length) requestAnimationFrame(next)
}
