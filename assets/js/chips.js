// Selecting chips: a click, Ctrl and Shift, a frame drawn round them, keys. The
// selection is a set of ids; what can be done with it stands in the hand.
import { all, find, submit, typing, whenPageChanges } from "./page.js"

const chosen = new Set()
let key = null // which selection the page came with
let anchor = null // where a range begins
let again = null // the chip that keeps the focus while the page follows a move

for (const type of ["keydown", "pointerdown"]) document.addEventListener(type, () => { again = null }, true)

export const selection = () => [...chosen]
const chips = () => all("[data-chip]")
const id = chip => chip.dataset.chip

const CHOSEN = "[data-chip]:is([aria-selected=true], [aria-pressed=true])"
const mark = (chip, on) => chip.setAttribute(chip.hasAttribute("aria-pressed") ? "aria-pressed" : "aria-selected", on)

export function select(ids, add = false) {
  if (!add) chosen.clear()
  for (const each of ids) chosen.add(each)
  show()
}

function show() {
  const found = chips().filter(chip => chosen.has(id(chip)))
  const standing = new Set(found.map(id))
  for (const each of [...chosen]) if (!standing.has(each)) chosen.delete(each)
  for (const chip of all(CHOSEN)) if (!chosen.has(id(chip))) mark(chip, false)
  for (const chip of found) mark(chip, true)
  for (const dot of all("[data-dot]")) dot.setAttribute("aria-selected", chosen.has(dot.dataset.dot))
  words(found)
}

function words(found) {
  const form = find("#selection")
  if (!form) return
  form.closest(".hand-selection").hidden = chosen.size === 0
  form.closest(".hand").classList.toggle("hand-selecting", chosen.size > 0)
  form.elements.ids.value = selection().join(",")
  const groups = new Set(found.map(chip => chip.closest("[data-group]")?.dataset.groupName ?? ""))
  const where = groups.size === 1 && [...groups][0] ? ` in ${[...groups][0]}` : groups.size > 1 ? ` in ${groups.size} groups` : ""
  find("#selected-words").textContent = `${chosen.size} ${chosen.size === 1 ? "swatch" : "swatches"} selected${where}`
  find("#selected-words").title = find("#selected-words").textContent
  for (const button of all("button[data-one]", form)) {
    button.textContent = chosen.size > 1 ? button.dataset.many.replace("{n}", chosen.size) : button.dataset.one
    button.disabled = chosen.size < Number(button.dataset.least ?? 1)
  }
  const locked = found.filter(chip => chip.classList.contains("chip-locked")).length
  find("[value=lock]", form).hidden = locked === found.length
  find("[value=unlock]", form).hidden = locked === 0
  find("[value=loosen]", form).hidden = !found.some(chip => chip.classList.contains("ringed"))
}

// Before the form of the hand sees it: with Ctrl or Shift a chip is selected, not held.
document.addEventListener("click", event => {
  const chip = event.target.closest("[data-chip]")
  if (chip) return click(event, chip)
  const more = event.target.closest("[data-select]")
  if (more) return selectMore(more.dataset.select)
  const dot = event.target.closest("[data-dot]")
  if (dot) hold(dot.dataset.dot)
}, true)

function click(event, chip) {
  if (event.shiftKey) { stop(event); range(chip) }
  else if (event.ctrlKey || event.metaKey) { stop(event); toggle(chip) }
  else { anchor = id(chip); select([id(chip)]) }
}

function stop(event) {
  event.preventDefault()
  event.stopPropagation()
}

function toggle(chip) {
  anchor = id(chip)
  chosen.has(anchor) ? chosen.delete(anchor) : chosen.add(anchor)
  show()
}

function range(chip) {
  const run = chips(), from = run.findIndex(each => id(each) === anchor), to = run.indexOf(chip)
  if (from < 0) return toggle(chip)
  select(run.slice(Math.min(from, to), Math.max(from, to) + 1).map(id))
}

function hold(swatch) {
  const form = find("#hold"), input = Object.assign(document.createElement("input"), { type: "hidden", name: "swatch", value: swatch })
  form.append(input)
  submit(form)
  input.remove()
}

async function selectMore(what) {
  if (what === "none") return select([])
  const first = find(`[data-chip="${selection()[0]}"]`)
  if (!first) return
  if (what === "group") return select(all(`[data-of="${first.dataset.of}"]`).map(id))
  const answer = await fetch(`${find("[data-move]").dataset.move.replace("/move", "/like.json")}?swatch=${id(first)}`).catch(() => null)
  if (answer?.ok) select((await answer.json()).ids.map(String))
}

// Keys on chips. Enter takes in hand, as a click does.
document.addEventListener("keydown", event => {
  const chip = event.target.closest?.("[data-chip]")
  if (event.key === "Escape" && chosen.size > 1 && !find("#mix") && !typing(event.target)) select([])
  const dot = event.target.closest?.("[data-dot]")
  if (dot && event.key === "Enter") hold(dot.dataset.dot)
  if (!chip) return
  if (event.key === " ") { event.preventDefault(); toggle(chip) }
  else if (event.key === "Delete") { event.preventDefault(); if (!chosen.has(id(chip))) select([id(chip)]); find("#remove-chosen").click() }
  else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "a") { event.preventDefault(); selectAll(chip) }
  else if (event.key.startsWith("Arrow") && event.altKey) { stop(event); nudge(chip, event.key.slice(5).toLowerCase()) }
}, true)
document.addEventListener("keyup", event => { if (event.key === " " && event.target.closest?.("[data-chip]")) event.preventDefault() })

// With Shift the arrow keys take along what they pass.
document.addEventListener("keydown", event => {
  if (!event.shiftKey || !event.key.startsWith("Arrow") || event.altKey) return
  const from = event.target.closest?.("[data-chip]")
  if (!from) return
  if (!chosen.has(id(from))) toggle(from)
  anchor = anchor ?? id(from)
  setTimeout(() => { const to = document.activeElement?.closest("[data-chip]"); if (to && to !== from) range(to) })
}, true)

// The group first, then everything.
function selectAll(chip) {
  const group = all(`[data-of="${chip.dataset.of}"]`).map(id)
  select(group.every(each => chosen.has(each)) ? chips().map(id) : group)
}

function nudge(chip, way) {
  if (!chosen.has(id(chip))) select([id(chip)])
  const form = find("#chip-nudge")
  form.elements.ids.value = selection().join(",")
  form.elements.way.value = way
  again = id(chip)
  submit(form)
}

whenPageChanges(() => {
  const rows = find("[data-selection-key]")
  if (!rows) { key = null; chosen.clear(); return }
  if (rows.dataset.selectionKey !== key) {
    key = rows.dataset.selectionKey
    const ids = rows.dataset.selection.split(",").filter(Boolean)
    if (ids.length && !ids.every(each => chosen.has(each)) || !ids.length) { chosen.clear(); for (const each of ids) chosen.add(each) }
  }
  show()
  if (again) find(`[data-chip="${again}"]`)?.focus()
})
