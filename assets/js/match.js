// Match: rows of a table that are walked through by keys, and forms that ask for another page.
import { all, find, visit } from "./page.js"

const PARTS = "near side hand"

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
    ArrowRight: () => row.dataset.next && visit(row.dataset.next, PARTS),
    ArrowLeft: () => row.dataset.back && visit(row.dataset.back, PARTS),
    " ": () => find("[role=checkbox]", row)?.click()
  }
  if (!keys[event.key]) return
  event.preventDefault()
  event.stopImmediatePropagation()
  keys[event.key]()
}, true)

// A click anywhere on a row goes to it.
document.addEventListener("click", event => event.target.closest?.("[data-pair]")?.focus())

// The limit follows the slider while it is dragged.
document.addEventListener("input", event => {
  if (event.target.matches(".within input")) find(".within output").textContent = `ΔE ${Number(event.target.value)}`
})
