// Shortcuts and walking through chips with the arrow keys.
import { all, find, submit, typing, visit } from "./page.js"
import { idle } from "./queue.js"

const places = { g: "Gather", p: "Palettes", d: "Dress", t: "Match", v: "Deliver" }

document.addEventListener("keydown", event => {
  if (event.key === "Escape") return leave(event)
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z") return turnBack(event)
  if (event.key.startsWith("Arrow")) return walk(event)
  if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
  single(event)
})

function single(event) {
  const key = event.key.toLowerCase()
  if (places[key]) all(".places a").find(link => link.textContent === places[key])?.click()
  else if (key === "b") find("#swap")?.click()
  else if (key === "m") find("#open-mix")?.click()
  else if (key === "k") find("#keep-name")?.focus()
  else if (key === "?") find("#shortcuts")?.showModal()
  else return
  event.preventDefault()
}

function turnBack(event) {
  if (typing(event.target) && event.target.value !== event.target.defaultValue) return
  event.preventDefault()
  turn(event.shiftKey ? "#redo" : "#undo")
}

// While something is under way the page does not know yet whether there is something to undo.
function turn(button) {
  const found = find(button)
  if (found && !(found.disabled && idle())) submit(found.form)
}

function leave(event) {
  const list = find("#changes-list[open], .hand-menu[open]")
  if (list) list.open = false
  else if (find("dialog[open]")) return
  else if (find("#mix")) visit(find("#mix").dataset.leave)
  else if (typing(event.target)) event.target.blur()
  else find(".notice:not(.notice-waiting)")?.remove()
}

// Left and right go to the neighbours, up and down to the nearest above and below.
function walk(event) {
  const row = event.target.closest("[data-arrows]")
  if (!row || typing(event.target)) return
  const stops = all("[data-arrows] button, [data-arrows] a")
  const here = event.target.getBoundingClientRect()
  const along = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  if (!along) return
  const next = stops
    .map(stop => ({ stop, box: stop.getBoundingClientRect() }))
    .map(({ stop, box }) => ({ stop, x: box.x + box.width / 2 - here.x - here.width / 2, y: box.y + box.height / 2 - here.y - here.height / 2 }))
    .filter(({ x, y }) => (along[0] ? x * along[0] > 4 && Math.abs(y) < here.height / 2 : y * along[1] > 4))
    .sort((a, b) => Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y))[0]
  if (!next) return
  event.preventDefault()
  next.stop.focus()
}
