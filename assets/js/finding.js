// Picks more: parts that are painted alike, or those of a colour in the list.
import { find, whenPageChanges } from "./page.js"
import { read } from "./numbers.js"
import { pick } from "./picks.js"
import { goToPicked } from "./outline.js"
import { standing } from "./sending.js"
import { wider } from "./stage_keys.js"
import { tell } from "./trouble.js"

// @param {string} question for the server
// @param {string} [also] a part of the page that comes anew, too
async function pickAlike(question, also) {
  const stage = find("#stage"), answer = await fetch(`${stage.dataset.path}/alike.json?${question}`, { headers: standing() }).catch(() => null)
  if (!answer?.ok) return tell("The server does not answer. Try again when it runs", "wrong")
  const numbers = read((await answer.json()).numbers)
  if (find("#stage") !== stage) return
  numbers.length || also ? pick(numbers, undefined, also) : tell("No part is painted like that", "wrong")
}

// Before the link is followed.
document.addEventListener("click", event => {
  const button = event.target.closest?.("[data-alike]")
  if (event.target.closest?.("[data-wider]")) wider()
  if (!button || !find("#stage") || event.ctrlKey || event.metaKey) return
  button.closest("details")?.removeAttribute("open")
  if (button.dataset.colour) {
    event.preventDefault() // the link is for those who open it elsewhere
    const way = new URL(button.href)
    history.replaceState(history.state, "", way.pathname + way.search)
    return pickAlike(button.dataset.alike, "side")
  }
  const near = button.dataset.alike === "near" && find("#near-limit")
  pickAlike(near ? `near=${encodeURIComponent(near.value)}` : button.dataset.alike)
}, true)

// "Show parts" leads here with a question.
whenPageChanges(async () => {
  const address = new URL(location.href), question = address.searchParams.get("pick")
  if (!question || !find("#stage")) return
  address.searchParams.delete("pick")
  history.replaceState(history.state, "", address)
  await pickAlike(`swatch=${encodeURIComponent(question)}`)
  if (find("#stage")) goToPicked()
})
