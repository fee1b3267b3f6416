// Dragging: chips to another slot, group or palette; a frame round chips from where
// nothing is. Each has a button or a key that does the same.
import { all, find, submit } from "./page.js"
import { select, selection } from "./chips.js"

const FAR = 6 // px from which a press is a drag
let press = null
let frame = null
let ghost = null
let dropped = false

document.addEventListener("pointerdown", event => {
  if (event.button !== 0 || !event.target.closest(".rows") || event.target.closest("input, select, summary, a, .menu, .palette-tools, .slot")) return
  const chip = event.target.closest("[data-chip]")
  if (!chip && event.target.closest("button")) return
  press = { chip, x: event.clientX, y: event.clientY, add: event.ctrlKey || event.metaKey || event.shiftKey }
  if (!chip) event.preventDefault()
})

document.addEventListener("pointermove", event => {
  if (!press) return
  if (!press.moving && Math.hypot(event.clientX - press.x, event.clientY - press.y) < FAR) return
  if (!press.moving) begin()
  press.chip ? carry(event) : draw(event)
})

document.addEventListener("pointerup", event => {
  if (press?.moving) press.chip ? drop(event) : take()
  end()
})
document.addEventListener("keydown", event => { if (event.key === "Escape" && press?.moving) { event.stopPropagation(); dropped = true; end() } }, true)
document.addEventListener("pointercancel", end)
// A drag ends with a click on what lies there; it was not meant.
document.addEventListener("click", event => { if (dropped) { dropped = false; event.preventDefault(); event.stopImmediatePropagation() } }, true)
document.addEventListener("dragstart", event => { if (event.target.closest?.("[data-chip]")) event.preventDefault() })

function begin() {
  press.moving = true
  dropped = false
  if (!press.chip) {
    frame = Object.assign(document.createElement("div"), { className: "select-frame" })
    document.body.append(frame)
    return
  }
  if (!selection().includes(press.chip.dataset.chip)) select([press.chip.dataset.chip])
  ghost = Object.assign(document.createElement("div"), { className: "chip-ghost" })
  for (const id of selection().slice(0, 8)) ghost.append(Object.assign(document.createElement("i"), { style: `background:${find(`[data-chip="${id}"]`).style.background}` }))
  document.body.append(ghost)
}

function draw(event) {
  const box = { left: Math.min(press.x, event.clientX), top: Math.min(press.y, event.clientY), right: Math.max(press.x, event.clientX), bottom: Math.max(press.y, event.clientY) }
  frame.style.cssText = `left:${box.left}px;top:${box.top}px;width:${box.right - box.left}px;height:${box.bottom - box.top}px`
  press.inside = all("[data-chip]").filter(chip => {
    const at = chip.getBoundingClientRect()
    return at.left < box.right && at.right > box.left && at.top < box.bottom && at.bottom > box.top
  }).map(chip => chip.dataset.chip)
}

function take() {
  dropped = true
  setTimeout(() => { dropped = false })
  select(press.inside ?? [], press.add)
}

// Where a drop would land: a slot of a group, or of a grid.
function target(event) {
  const under = document.elementFromPoint(event.clientX, event.clientY)
  const cell = under?.closest(".grid-cell")
  if (cell) return { cell, grid: cell.closest("[data-grid]") }
  const run = under?.closest("[data-group]") ?? under?.closest(".row")?.querySelector("[data-group]")
  if (!run) return null
  const slot = under.closest("[data-slot]")
  if (!slot) return { run, slot: past(run, event), close: false }
  const number = Number(slot.dataset.slot)
  if (slot.querySelector(".slot")) return { run, slot: number, close: false, mark: slot }
  const box = slot.getBoundingClientRect(), after = event.clientX > box.left + box.width / 2
  return { run, slot: number + (after ? 1 : 0), close: true, mark: slot, after }
}

// To the right of the last chip, empty slots are left as far as the pointer is.
function past(run, event) {
  const cells = all("[data-slot]", run), last = cells.at(-1)
  if (!last) return 1
  const box = last.getBoundingClientRect()
  const away = event.clientY <= box.bottom ? Math.floor((event.clientX - box.right) / box.width) : 0
  return Number(last.dataset.slot) + 1 + Math.max(0, away)
}

function carry(event) {
  ghost.style.translate = `${event.clientX + 10}px ${event.clientY + 10}px`
  const at = target(event)
  for (const marked of all(".drop-before, .drop-after, .drop-into")) marked.classList.remove("drop-before", "drop-after", "drop-into")
  if (at?.cell) at.cell.classList.add("drop-into")
  else if (at?.mark) at.mark.classList.add(at.close ? (at.after ? "drop-after" : "drop-before") : "drop-into")
  else at?.run.classList.add("drop-into")
}

function drop(event) {
  const at = target(event)
  dropped = true
  setTimeout(() => { dropped = false })
  if (!at) return
  at.cell ? dropOnGrid(at) : dropInRun(at, event)
}

function dropOnGrid({ cell }) {
  const from = press.chip.closest(".grid-cell")
  if (!from || from === cell) return
  const form = find("#chip-grid")
  form.elements.ids.value = selection().join(",")
  form.elements.across.value = cell.dataset.across - from.dataset.across
  form.elements.down.value = cell.dataset.down - from.dataset.down
  submit(form)
}

function dropInRun({ run, slot, close }, event) {
  const form = find("#chip-move")
  form.elements.ids.value = selection().join(",")
  form.elements.group.value = run.dataset.group
  form.elements.slot.value = slot
  form.elements.copy.value = event.ctrlKey || event.metaKey ? 1 : 0
  form.elements.close.value = close ? 1 : 0
  submit(form)
}

function end() {
  frame?.remove()
  ghost?.remove()
  for (const marked of all(".drop-before, .drop-after, .drop-into")) marked.classList.remove("drop-before", "drop-after", "drop-into")
  press = frame = ghost = null
}
