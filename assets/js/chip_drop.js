// A chip of the rack, or a find, is dropped on a part: it is given to it, or to all that is
// picked where the part is picked. Clicking the chip and then the part does the same.
import { whenCalledOff } from "./called_off.js"
import { part, topUnder } from "./drawings.js"
import { find } from "./page.js"
import { picked } from "./picks.js"
import { preview, takeBack } from "./previews.js"
import { give, host, stage, target } from "./stage.js"

const FAR = 6 // px from which a press is a drag
const CHIP = ".dress .rack-chip, .hand .find"
let carried = null // { chip, x, y, ghost, over }
let dropped = false

document.addEventListener("pointerdown", event => {
  const chip = event.target.closest?.(CHIP)
  if (chip && stage() && event.button === 0) carried = { chip, x: event.clientX, y: event.clientY }
})

document.addEventListener("pointermove", event => {
  if (carried && event.buttons === 0) return callOff()
  if (!carried || !carried.ghost && Math.hypot(event.clientX - carried.x, event.clientY - carried.y) < FAR) return
  if (!carried.ghost) {
    carried.ghost = Object.assign(document.createElement("div"), { className: "chip-ghost" })
    carried.ghost.append(Object.assign(document.createElement("i"), { style: `background:${getComputedStyle(carried.chip).background}` }))
    document.body.append(carried.ghost)
  }
  carried.ghost.style.translate = `${event.clientX + 10}px ${event.clientY + 10}px`
  over(topUnder(host(), event.clientX, event.clientY), event.shiftKey)
})

const those = number => picked().has(number) ? [...picked()] : [number]

// What it would be given to shows it.
function over(number, shift) {
  if (number === carried.over) return
  if (carried.over !== undefined) takeBack()
  carried.over = number
  const colour = getComputedStyle(carried.chip).backgroundColor
  if (number !== undefined) for (const each of those(number)) if (part(host(), each)) preview(part(host(), each), target(shift) === "line" ? "stroke" : "fill", colour)
}

document.addEventListener("pointerup", event => {
  if (!carried?.ghost) return end()
  const { chip, over: number } = carried
  end()
  dropped = true
  setTimeout(() => { dropped = false })
  if (number !== undefined) give(those(number), target(event.shiftKey), "give", { [chip.name]: chip.value })
})

whenCalledOff(() => carried?.ghost, callOff)

function callOff() {
  if (carried?.ghost && carried.over !== undefined) takeBack()
  if (carried?.ghost) dropped = true
  end()
}

function end() {
  carried?.ghost?.remove()
  carried = null
}

// A drag ends with a click on the chip; it was not meant.
document.addEventListener("click", event => {
  if (!dropped) return
  dropped = false
  event.preventDefault()
  event.stopImmediatePropagation()
}, true)
document.addEventListener("dragstart", event => { if (event.target.closest?.(CHIP) && find("#stage")) event.preventDefault() })
