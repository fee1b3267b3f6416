// Which groups of sliders are shown: one to four.
import { all, find, submit } from "./page.js"

const FEWEST = 1
const MOST = 4

document.addEventListener("change", ({ target: box }) => {
  const form = box.closest?.("#mix-models")
  if (!form) return
  const chosen = all("input:checked", form).map(each => each.value)
  if (chosen.length < FEWEST || chosen.length > MOST) {
    box.checked = !box.checked
    return
  }
  find("input[name=models]", form).value = chosen.join(",")
  submit(form)
})
