// A sweep that passes over a picture fills the patches that it meets, as the Fill tool last did.
import { find, submit } from "./page.js"
import { placeOf } from "./fill_outline.js"

const APART = 10 // px between two places that are looked at
const MOST = 40 // see Changes::FillPicture

let met = [] // [{ clientX, clientY, at }]

const form = () => find("#swept-pictures")

// @param {{clientX: number, clientY: number}} where no part lies
export function meet({ clientX, clientY }) {
  if (!form() || met.length === MOST || met.some(other => Math.hypot(clientX - other.clientX, clientY - other.clientY) < APART)) return
  met.push({ clientX, clientY, at: placeOf({ clientX, clientY }) })
}

// What was met and not called off.
export function fillSwept() {
  const points = met.map(({ at }) => at)
  met = []
  if (points.length === 0 || !form()) return
  form().elements.points.value = JSON.stringify(points)
  submit(form())
}

// Nothing was met of what is called off.
addEventListener("pointerdown", () => { met = [] }, true)
