// In a small window the hand shows what is in it; its finds, what can be done and where it is
// kept come when they are asked for, and stay until they are put away.
import { find, whenPageChanges } from "./page.js"

const open = () => document.documentElement.hasAttribute("data-hand")

function tell() {
  const button = find("[data-hand-more]")
  button?.setAttribute("aria-expanded", open())
  if (button) button.textContent = open() ? "Less" : "More"
}

document.addEventListener("click", event => {
  if (!event.target.closest?.("[data-hand-more]")) return
  document.documentElement.toggleAttribute("data-hand")
  tell()
})
whenPageChanges(tell)
