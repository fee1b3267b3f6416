// Small things: notices, the list of shortcuts, counts on buttons, choices that lead on.
import { all, bring, find, visit } from "./page.js"

document.addEventListener("toggle", event => {
  const list = event.target.open && find("[data-fetch-opened]", event.target)
  if (list) bring(list, list.dataset.fetchOpened)
}, true)

document.addEventListener("click", event => {
  if (event.target.closest("[data-dismiss]")) event.target.closest(".notice")?.remove()
  if (event.target.closest("[data-close-dialog]")) event.target.closest("dialog").close()
})

document.addEventListener("change", event => {
  if (event.target.matches(".share input[type=checkbox]")) countTicks(event.target.form)
  if (event.target.dataset.go) visit(event.target.dataset.go)
})

function countTicks(form) {
  const ticked = all("input[type=checkbox]:checked", form).length
  find("#share-commit").textContent = ticked ? `Share and link ${ticked}` : "Share and link none"
}
