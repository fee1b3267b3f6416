// An outfit that is clicked is given to what is picked, and shown at once; where nothing is
// picked, its link takes it to be given to others.
import { showOutfit } from "./carry.js"
import { find } from "./page.js"
import { picked } from "./picks.js"
import { giveAll, host } from "./stage.js"

document.addEventListener("click", event => {
  const link = event.target.closest?.("[data-wear]")
  if (!link || !find("#stage") || !picked().size || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  for (const number of picked()) showOutfit(host(), number, link.dataset.outfit)
  giveAll(picked(), `wear-${link.dataset.wear}`)
}, true)

// What was chosen in the sheet is done.
document.addEventListener("submit", event => event.submitter?.closest("#wear")?.removeAttribute("open"))
