// Match: rows of a table that are walked through by keys, and forms that ask for another page.
import { all, find, visit, whenPageChanges } from "./page.js"

const PARTS = "near side hand"
let walking = null // { id, by }: how many candidates further the keys asked for

document.addEventListener("change", event => {
  const form = event.target.form
  if (form?.matches("[data-asks-page]")) form.requestSubmit()
})

// Left and right take another candidate, up and down go to the next row, Space ticks.
document.addEventListener("keydown", event => {
  const row = event.target.closest?.("[data-pair]")
  if (!row || event.altKey || event.ctrlKey || event.metaKey) return
  const rows = all("[data-pair]"), at = rows.indexOf(row)
  const keys = {
    ArrowDown: () => rows[at + 1]?.focus(),
    ArrowUp: () => rows[at - 1]?.focus(),
    ArrowRight: () => further(row, 1),
    ArrowLeft: () => further(row, -1),
    " ": () => find("[role=checkbox]", row)?.click()
  }
  if (!keys[event.key]) return
  event.preventDefault()
  event.stopImmediatePropagation()
  keys[event.key]()
}, true)

// Keys are quicker than pages: each page takes one of their steps.
function further(row, by) {
  const waits = walking?.id === row.id && walking.by !== 0
  walking = { id: row.id, by: (waits ? walking.by : 0) + by }
  if (!waits) step()
}

function step() {
  const row = walking && document.getElementById(walking.id), path = walking?.by > 0 ? row?.dataset.next : row?.dataset.back
  if (!walking?.by || !path) walking = null
  else visit(path, PARTS)
}

whenPageChanges(() => {
  if (!walking) return
  walking.by -= Math.sign(walking.by)
  step()
})

// A click anywhere on a row goes to it.
document.addEventListener("click", event => event.target.closest?.("[data-pair]")?.focus())

// The limit follows the slider while it is dragged.
document.addEventListener("input", event => {
  if (event.target.matches(".within input")) find(".within output").textContent = `ΔE ${Number(event.target.value)}`
})
