// What is done with chips of a chart: looked at, held, selected, sent and dragged to groups.
import { chart, entry, field, hex, later, reveal, total, under } from "./browse.js"
import { sayLater } from "./announce.js"
import { find, submit, visit, whenPageChanges } from "./page.js"

const REST = 180 // ms until the side shows what the keys stopped at
const FAR = 5 // px after which a press is a drag
let anchor = null, resting = null, drag = null

whenPageChanges(show)
document.addEventListener("chart:ready", show)

async function say(number) {
  const found = await entry(number)
  if (!found || number !== chart.current) return
  find("#browse-said").textContent = [found[1], found[2], found[3]].filter(Boolean).join(", ")
  sayLater(find("#browse-said").textContent)
}

function go(number, soon = false) {
  chart.current = number
  reveal(number)
  say(number)
  clearTimeout(resting)
  resting = setTimeout(() => look(number), soon ? 0 : REST)
}

async function look(number) {
  const found = await entry(number)
  if (!found || number !== chart.current) return
  const path = new URL(field().dataset.look, location.href)
  path.searchParams.set("entry", `e${found[0]}`)
  visit(path.pathname + path.search, "side hand")
}

async function hold(number) {
  const found = await entry(number)
  if (!found) return
  const form = find("#browse-take")
  form.elements.entry.value = found[0]
  submit(form)
}

// What is selected stands in the hand.
function show() {
  const form = find("#browse-send")
  if (!form || !field()) return
  const count = chart.chosen.size
  form.hidden = count === 0
  find("#browse-one").hidden = count > 0
  find("h2", form).textContent = `${count.toLocaleString("en")} ${count === 1 ? "entry" : "entries"} selected`
  form.elements.picked.value = written()
  later()
}

// "3-7,12"
function written() {
  const runs = []
  for (const number of [...chart.chosen].sort((one, two) => one - two)) {
    const last = runs.at(-1)
    last && number === last[1] + 1 ? last[1] = number : runs.push([number, number])
  }
  return runs.map(([from, to]) => from === to ? from : `${from}-${to}`).join(",")
}

function toggle(number) {
  chart.chosen.has(number) ? chart.chosen.delete(number) : chart.chosen.add(number)
  anchor = number
  show()
}

function range(to) {
  const from = anchor ?? chart.current ?? to
  for (let number = Math.min(from, to); number <= Math.max(from, to); number += 1) chart.chosen.add(number)
  show()
}

function none() {
  chart.chosen.clear()
  show()
}

document.addEventListener("keydown", event => {
  if (event.target !== field() || event.altKey || !chart.layout) return
  find("#browse-card").hidden = true
  const at = chart.current ?? 0
  if (event.key.startsWith("Arrow") || event.key === "Home" || event.key === "End") {
    const next = chart.current === null && event.key.startsWith("Arrow") ? 0 : chart.layout.step(at, event.key)
    if (event.shiftKey) { anchor ??= at; range(next) }
    else anchor = null
    go(next)
  } else if (event.key === "PageDown" || event.key === "PageUp") {
    const [x, y, width] = chart.layout.box(at), by = field().clientHeight * (event.key === "PageDown" ? 1 : -1)
    go(chart.layout.near(x + width / 2, Math.max(0, Math.min(chart.layout.height - 2, y + by)), Math.sign(by)) ?? at)
  } else if (event.key === "Enter") hold(at)
  else if (event.key === " ") toggle(at)
  else if (event.key === "Escape" && chart.chosen.size) none()
  else return
  event.preventDefault()
  event.stopImmediatePropagation()
}, true)

document.addEventListener("click", event => {
  if (event.target.closest?.("[data-browse-none]")) none()
})

document.addEventListener("pointerdown", event => {
  if (!event.target.closest?.("#browse") || event.button !== 0 || !chart.layout) return
  const number = under(event)
  if (number === null) return
  drag = { number, x: event.clientX, y: event.clientY, moved: false, ctrl: event.ctrlKey || event.metaKey, shift: event.shiftKey }
})

document.addEventListener("pointermove", event => {
  if (drag) return move(event)
  if (event.target.closest?.("#browse")) card(event)
  else if (find("#browse-card:not([hidden])")) find("#browse-card").hidden = true
})

// The name of what is under the pointer, beside it.
async function card(event) {
  const number = chart.layout && under(event), shown = find("#browse-card")
  if (number === null || number === undefined) { shown.hidden = true; return }
  shown.dataset.number = number
  const found = await entry(number)
  if (!found || shown.dataset.number !== String(number)) return
  find("b", shown).textContent = found[1]
  find("span", shown).textContent = [found[2], found[3]].filter(Boolean).join(" ")
  Object.assign(shown.style, { left: `${Math.min(event.clientX + 14, innerWidth - 270)}px`, top: `${event.clientY + 18}px` })
  shown.hidden = false
}

function move(event) {
  drag.moved ||= Math.hypot(event.clientX - drag.x, event.clientY - drag.y) > FAR
  if (!drag.moved) return
  find("#browse-card").hidden = true
  if (!drag.ghost) begin()
  Object.assign(drag.ghost.style, { left: `${event.clientX + 8}px`, top: `${event.clientY + 8}px` })
  const group = document.elementFromPoint(event.clientX, event.clientY)?.closest("[data-drop-group]")
  for (const each of document.querySelectorAll(".browse-over")) if (each !== group) each.classList.remove("browse-over")
  group?.classList.add("browse-over")
}

// What is dragged: the selection, where it begins in it.
function begin() {
  drag.numbers = chart.chosen.has(drag.number) ? [...chart.chosen] : [drag.number]
  drag.ghost = Object.assign(document.createElement("div"), { className: "browse-ghost", textContent: drag.numbers.length > 1 ? drag.numbers.length : "" })
  drag.ghost.style.background = hex(drag.number)
  document.body.append(drag.ghost)
}

function end(event, dropped) {
  const was = drag
  drag = null
  was?.ghost?.remove()
  for (const each of document.querySelectorAll(".browse-over")) each.classList.remove("browse-over")
  if (!was || !dropped) return
  if (!was.moved) return click(was)
  const group = document.elementFromPoint(event.clientX, event.clientY)?.closest("[data-drop-group]")
  if (group) send(was.numbers, group.dataset.dropGroup)
}
document.addEventListener("pointerup", event => end(event, true))
document.addEventListener("pointercancel", event => end(event, false))

function click({ number, ctrl, shift }) {
  field().focus()
  if (number >= total()) return
  if (ctrl) toggle(number)
  else if (shift) range(number)
  else { anchor = number; if (chart.chosen.size) none() }
  go(number, true)
}

function send(numbers, group) {
  chart.chosen = new Set(numbers)
  show()
  const form = find("#browse-send")
  form.elements.group.value = group
  submit(form)
  none()
}

// What was sent is no longer selected.
document.addEventListener("submit", event => { if (event.target.id === "browse-send") setTimeout(none) })
