// While an answer is awaited the root says so; if it takes long, a line at the top shows it.
let awaited = 0

export function awaiting(by) {
  awaited += by
  document.documentElement.toggleAttribute("data-waiting", awaited > 0)
}

// Whether a finger or button is down: nothing is brought up to date under it.
let down = false
const lifted = []

document.addEventListener("pointerdown", () => { down = true }, true)
for (const end of ["pointerup", "pointercancel"]) document.addEventListener(end, lift, true)
document.addEventListener("pointermove", event => { if (down && event.buttons === 0) lift() }, true) // let go outside the window

function lift() {
  down = false
  setTimeout(() => { for (const go of lifted.splice(0)) go() }) // after what the release does
}

export const pressing = () => down
export const released = () => down ? new Promise(go => lifted.push(go)) : Promise.resolve()
