// Deliver: ticks that stand for some of what is below them, pasted text, what choices about a
// file would do, and long work that can be called off.
import { bringIn } from "./drop.js"
import { renew } from "./once.js"
import { all, find, whenPageChanges } from "./page.js"
import { Progress } from "./progress.js"
import { act } from "./queue.js"

const EVERY = 400 // ms between two questions how far it is

whenPageChanges(() => {
  for (const box of all("[data-mixed]")) box.indeterminate = true
  follow()
  find(".entries .chosen")?.scrollIntoView({ block: "nearest" })
})

// Text that is pasted where nobody writes is a file of colours.
document.addEventListener("paste", event => {
  if (!find("form[data-paste-text]") || event.target.closest("input, textarea, [contenteditable]") || event.clipboardData?.files.length) return
  const text = event.clipboardData?.getData("text/plain")
  if (text?.trim()) bringIn([new File([text], "Pasted text.txt", { type: "text/plain" })])
})

document.addEventListener("change", event => {
  if (event.target.closest(".meetings")) follow()
})

document.addEventListener("click", event => {
  const choice = event.target.closest("[data-all][type=button]")?.dataset.all
  if (!choice) return
  for (const row of all(".meetings tbody tr")) {
    const box = find(`input[value="${choice}"]`, row)
    if (box) box.checked = true
  }
  const rest = find("select[name=all]")
  if (rest) rest.value = choice
  follow()
})

// The artworks show what is taken; how many places that are is said.
function follow() {
  count()
  const drawn = find("#follows"), words = find("#follows-words")
  if (!drawn) return
  const names = []
  let places = 0
  for (const row of all(".meetings tbody tr[data-kind=name]")) {
    const taken = find("input[value=theirs]", row)?.checked
    drawn.style[taken ? "setProperty" : "removeProperty"](`--swatch-${row.dataset.swatch}`, row.dataset.hex)
    if (!taken || row.dataset.places === "0") continue
    names.push(row.dataset.name)
    places += Number(row.dataset.places)
  }
  const last = names.length > 4 ? `${names.length - 3} more` : names.at(-1)
  const listed = names.length > 1 ? `${names.slice(0, names.length > 4 ? 3 : -1).join(", ")} and ${last}` : last
  words.textContent = names.length ? `Taking their ${listed} changes ${places} ${places === 1 ? "place" : "places"}:` : words.dataset.none
}

// How many come in, as it is settled now.
function count() {
  const button = find("#import-commit")
  if (!button) return
  const settled = all(".meetings tbody tr:not([data-kind=gone])").filter(row => !find("input[value=ours]", row)?.checked).length
  const coming = Number(button.dataset.added) + settled
  button.textContent = `Bring in ${coming.toLocaleString("en")} ${coming === 1 ? "colour" : "colours"}`
}

// A large file takes a while: how far it is is asked for, and it can be called off.
document.addEventListener("submit", event => {
  const form = event.target
  if (!form.matches("form[data-large]")) return
  event.preventDefault()
  event.stopImmediatePropagation()
  if (form.dataset.sending) return
  form.dataset.sending = "true"
  renew(form)
  const mark = crypto.randomUUID(), path = new URL(form.action).pathname, data = new FormData(form), progress = new Progress()
  data.append("work", mark)
  progress.say(find("#import-commit").textContent.trim())
  const asking = setInterval(async () => {
    const { done, total } = await fetch(`${path.replace(/imports.*/, "works")}/${mark}.json`).then(answer => answer.json()).catch(() => ({}))
    if (!total) return
    progress.say(`Bringing in ${done.toLocaleString("en")} of ${total.toLocaleString("en")}`)
    progress.show(done / total)
  }, EVERY)
  const done = () => {
    clearInterval(asking)
    progress.end()
    delete form.dataset.sending
  }
  act({ path, files: data, progress, done })
}, true)
