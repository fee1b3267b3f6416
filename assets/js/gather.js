// The rest of Gather: choices, main colours, cards of finds, the order of sources.
import htmx from "htmx.org"
import { all, find, submit, whenPageChanges } from "./page.js"
import { copy } from "./copy.js"
import { shortcut } from "./shortcuts.js"

let copied = null // the find whose colour was copied by itself last

// A choice is sent as soon as it is made.
document.addEventListener("change", event => {
  const form = event.target.form
  if (form?.matches("[data-choices]") && event.target.name) submit(form)
})

// Over a main colour the picture darkens but for where it is.
for (const type of ["pointerover", "focusin"]) document.addEventListener(type, event => {
  const button = event.target.closest?.("[data-highlight]"), layer = find(".highlight")
  if (!layer) return
  layer.hidden = !button
  if (button) layer.style.backgroundImage = `url("${button.dataset.highlight}")`
})

// Over a find: what it is, where it came from, and a piece of its picture.
const card = Object.assign(document.createElement("div"), { className: "find-card", hidden: true })
for (const type of ["pointerover", "focusin"]) document.addEventListener(type, event => {
  const button = event.target.closest?.("[data-card]")
  card.hidden = !button
  if (!button) return
  const [name, origin, pinned] = button.dataset.card.split("|")
  card.replaceChildren(Object.assign(document.createElement("b"), { textContent: name }), Object.assign(document.createElement("span"), { textContent: pinned ? `${origin}. Pinned` : origin }))
  if (button.dataset.crop) card.prepend(Object.assign(document.createElement("img"), { src: button.dataset.crop, alt: "", width: 180, height: 108 }))
  if (!card.isConnected) document.body.append(card)
  const box = button.getBoundingClientRect()
  card.style.left = `${Math.min(Math.max(box.left + box.width / 2 - 102, 8), innerWidth - 212)}px`
  card.style.bottom = `${innerHeight - box.top + 10}px`
})

shortcut("copy", () => find("[data-favourite]")?.click() ?? false)

// Sources are put in another order by dragging them; About has buttons for it.
let moving = null
document.addEventListener("dragstart", event => {
  moving = event.target.closest?.(".source[data-source]")
  if (moving) event.dataTransfer.effectAllowed = "move"
})
document.addEventListener("dragover", event => {
  const over = event.target.closest?.("[data-sources] .source")
  if (!moving || !over) return
  event.preventDefault()
  for (const source of all(".source-over")) source.classList.remove("source-over")
  over.classList.add("source-over")
})
document.addEventListener("drop", event => {
  const over = event.target.closest?.("[data-sources] .source")
  if (moving && over && over !== moving) {
    event.preventDefault()
    const form = find("#move-source")
    form.action = form.dataset.sources + `/${moving.dataset.source}/move`
    form.elements.before.value = over.dataset.source ?? 0
    submit(form)
  }
  moving = null
})

// What takes a moment comes after the page. An answer to an older question is dropped.
let loading = null
async function load(path, key) {
  const answer = await fetch(path).catch(() => null)
  const text = answer?.ok ? await answer.text() : null
  if (loading === key) loading = null
  if (find("[data-load-key]")?.dataset.loadKey !== key) return
  if (text) htmx.swap({ text, target: "#main-colours", select: "#main-colours", swap: "outerHTML", sourceElement: document.body })
  else find("[data-load-key]").textContent = "The main colours could not be found: the server does not answer."
}

whenPageChanges(() => {
  card.hidden = true
  const waiting = find("[data-load]")
  if (waiting && waiting.dataset.loadKey !== loading) load(waiting.dataset.load, loading = waiting.dataset.loadKey)
  const text = find("[data-copy-now]")
  if (text && copied !== text.dataset.copyFor + text.dataset.copyNow) {
    copied = text.dataset.copyFor + text.dataset.copyNow
    copy(text.dataset.copyNow, find("[data-favourite]"))
  }
})
