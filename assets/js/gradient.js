// The gradient in the hand: its fields, and which of its stops is meant.
import { all, find, whenPageChanges } from "./page.js"
import { read } from "./numbers.js"
import { pick, picked } from "./picks.js"
import { give, target } from "./stage.js"

let meant = { of: null, stop: null } // the part whose stop it is, and its number

const holder = () => find("#gradient")

// What was done to it and has not come back from the server: how it lies, and what is done
// next, which waits: it is told what it was done to.
let ahead = { mark: null, lies: {}, next: null }

const shown = () => holder() ? JSON.parse(holder().dataset.gradient) : null

// @returns {Object|null} as Places::Dress::EditedPaint has it, and as it lies by now
export function gradient() {
  const made = shown()
  if (!made || ahead.mark !== made.mark) return made
  const { stops, ...laid } = ahead.lies
  return { ...made, ...laid, stops: made.stops.map((stop, number) => ({ ...stop, ...stops?.[number], colour: stop.colour })) }
}

export const role = () => holder()?.dataset.role ?? target()

// @returns {number} of the stop that is meant
export const meantStop = () => Number(find(".stop input[name=stop]:checked")?.value ?? 0)

export function mean(stop) {
  const radio = find(`.stop input[name=stop][value="${stop}"]`)
  if (!radio) return
  radio.checked = true
  settle()
}

// @param {Object} fields what is changed
// @param {Object} [lies] how it lies then, as far as that is known here
export function change(fields, lies = {}) {
  const { mark } = shown()
  if (ahead.mark === mark) return void (ahead = { mark, lies: { ...ahead.lies, ...lies }, next: fields })
  ahead = { mark, lies, next: null }
  give(picked(), role(), "gradient", { ...fields, saw_paint: mark })
}

// What waited is sent once it is known what it is done to; where what came before was
// refused, it is dropped.
function proceed(made) {
  const { mark, next } = ahead
  ahead = { mark: null, lies: {}, next: null }
  if (next && made.mark !== mark) change(next)
}

// The fields that are about the stop that is meant show what it has.
function settle() {
  const radio = find(".stop input[name=stop]:checked"), made = gradient()
  if (!radio) return
  meant = { of: made?.part, stop: Number(radio.value) }
  for (const field of all("[data-of-stop]")) field.value = radio.dataset[field.dataset.ofStop] ?? ""
  for (const row of all("[data-when-follows]")) row.hidden = radio.dataset.follows === undefined
  document.dispatchEvent(new CustomEvent("stop:meant"))
}

document.addEventListener("change", event => {
  if (event.target.matches?.(".stop input[name=stop]")) return settle()
  const { field, stop, ofStop } = event.target.dataset ?? {}
  if (!field || !holder() || event.target.value === "") return
  change({ [field]: event.target.value, ...(stop ?? (ofStop ? String(meantStop()) : null)) === null ? {} : { stop: stop ?? String(meantStop()) } })
})

// Enter in a number is no press of a button.
document.addEventListener("keydown", event => {
  if (event.key !== "Enter" || !event.target.matches?.("input[data-field]")) return
  event.preventDefault()
  event.target.blur()
})

document.addEventListener("click", event => {
  const button = event.target.closest?.("[data-part-toggle]")
  if (!button) return
  const open = button.closest(".picked").toggleAttribute("data-part-shown")
  button.setAttribute("aria-expanded", open)
  button.textContent = open ? "Stops" : "Part…"
})

// A gradient of the drawing that paints other parts, too.
document.addEventListener("click", event => {
  const also = event.target.closest?.("[data-pick-also]")?.dataset.pickAlso
  if (also) pick(read(also), "add")
})

whenPageChanges(() => {
  const made = shown()
  if (!made) return
  if (ahead.mark) proceed(made)
  if (meant.of === made.part && meant.stop < made.stops.length) mean(meant.stop)
  else mean(made.order[0])
})
