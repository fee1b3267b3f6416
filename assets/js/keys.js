// What keys do in all places: shortcuts of the frame, undo, and leaving with Esc.
import { all, find, submit, typing, visit } from "./page.js"
import { idle } from "./queue.js"
import { toHand } from "./regions.js"
import { shortcut } from "./shortcuts.js"

for (const place of ["gather", "palettes", "dress", "match", "deliver"]) shortcut(place, () => {
  if (find("#mix")) return false // it would leave the sheet, with what was mixed in it
  all(".places a").find(link => link.textContent.toLowerCase() === place)?.click()
})
shortcut("swap", () => find("#swap")?.click())
shortcut("mix", () => find("#open-mix")?.click())
shortcut("keep", () => find("#keep-name")?.focus())
shortcut("hand", toHand)
shortcut("shortcuts", () => find("#shortcuts")?.showModal())
document.addEventListener("click", event => { if (event.target.closest("[data-shortcuts]")) find("#shortcuts")?.showModal() })

document.addEventListener("keydown", event => {
  if (event.key === "Escape") leave(event)
  else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z") turnBack(event)
})

function turnBack(event) {
  if (typing(event.target) && event.target.value !== event.target.defaultValue || find("dialog[open]")) return
  event.preventDefault()
  turn(event.shiftKey ? "#redo" : "#undo")
}

// While something is under way the page does not know yet whether there is something to undo.
function turn(button) {
  const found = find(button)
  if (found && !(found.disabled && idle())) submit(found.form)
}

// Esc leaves one thing: the sheet of Mix, a field, a notice. Menus close before (menus.js).
function leave(event) {
  if (find("dialog[open]")) return
  if (find("#mix")) visit(find("#mix").dataset.leave)
  else if (typing(event.target)) event.target.blur()
  else find(".notice:not(.notice-waiting)")?.remove()
}
