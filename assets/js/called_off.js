// A drag is called off where the browser takes it over for a swipe, by Esc, and when another
// window comes: nothing was done.
// @param {Function} dragging is something being dragged?
// @param {Function} callOff
export function whenCalledOff(dragging, callOff) {
  for (const away of ["pointercancel", "blur"]) addEventListener(away, callOff)
  addEventListener("keydown", event => {
    if (event.key !== "Escape" || !dragging()) return
    event.stopImmediatePropagation()
    callOff()
  }, true)
}
