// Menus that lie over the page: a click elsewhere closes them, and so does Esc, which does
// nothing else then and brings the focus back to what opened them.
import { all, find } from "./page.js"

const OPEN = "#changes-list[open], .hand-menu[open], .group-menu[open], .drop[open], .mix-models[open]"

document.addEventListener("click", event => {
  for (const menu of all(OPEN)) if (!menu.contains(event.target)) menu.open = false
})

addEventListener("keydown", event => {
  const menu = event.key === "Escape" && !find("dialog[open]") && (event.target.closest?.(OPEN) ?? all(OPEN).at(-1))
  if (!menu) return
  event.preventDefault()
  event.stopImmediatePropagation()
  menu.open = false
  find("summary", menu).focus()
}, true)
