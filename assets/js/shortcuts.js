// Single keys that do something. Which key does what is the person's matter and stands in the
// list of them; what each does is said by the modules that do it, under the same names. They
// do nothing while somebody types, on a slider, in a window or a menu.
import htmx from "htmx.org"
import { all, find, typing } from "./page.js"

const acts = new Map() // name → { run, end, slice }
const held = new Map() // event.code of a key that is held → what its end does

// @param {string} name as the list of shortcuts has it
// @param {Function} run
// @param {Object} [more] end: what is done when the key is let go; slice: whether it goes on
//   the slice of Mix, too
export function shortcut(name, run, more = {}) {
  acts.set(name, { run, ...more })
}

const BUSY = "input[type=range], [role=slider], .hand-sheet, .drop-sheet, .menu, .mix-models > div"

function free(target, slice) {
  if (find("dialog[open]") || typing(target)) return false
  return !target.closest?.(BUSY) || slice && target.id === "slice"
}

let parsed = { text: null, keys: {} }
function keys() {
  const text = find("#keys")?.dataset.keys ?? "{}"
  if (parsed.text !== text) parsed = { text, keys: JSON.parse(text) }
  return parsed.keys
}

const BESIDE = { "=": "+" } // on one key of many keyboards

// With Caps Lock a letter is still the letter.
const keyOf = event => event.getModifierState("CapsLock") && /^\p{L}$/u.test(event.key) ? turned(event.key) : event.key
const turned = letter => letter === letter.toLowerCase() ? letter.toUpperCase() : letter.toLowerCase()

document.addEventListener("keydown", event => {
  if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing || event.defaultPrevented) return
  for (const name of keys()[keyOf(event)] ?? keys()[BESIDE[event.key]] ?? []) {
    const act = acts.get(name)
    if (!act || !free(event.target, act.slice)) continue
    if (event.repeat && act.end) return event.preventDefault()
    if (act.run(event) === false) continue // it is of no use here
    if (act.end) held.set(event.code, act.end)
    return event.preventDefault()
  }
})

document.addEventListener("keyup", event => letGo(event.code))
addEventListener("blur", () => { for (const code of [...held.keys()]) letGo(code) })

function letGo(code) {
  held.get(code)?.()
  held.delete(code)
}

// The list. What is chosen in it is kept at once, and the window stays open.
document.addEventListener("submit", event => {
  if (!event.target.matches("[data-keys-form]")) return
  event.preventDefault()
  event.stopImmediatePropagation()
  keep(new FormData(event.target, event.submitter), event.target)
}, true)
document.addEventListener("input", event => {
  if (event.target.matches(".key-field, #keys-on")) event.target.form.requestSubmit()
})
document.addEventListener("focusin", event => { if (event.target.matches(".key-field")) event.target.select() })

async function keep(data, form) {
  const at = all("[data-keys-form]").indexOf(form)
  const answer = await fetch(form.getAttribute("action"), { method: "POST", body: new URLSearchParams(data) }).catch(() => null)
  const text = await answer?.text()
  if (!answer?.ok) {
    find("#keys-problem").textContent = answer?.status === 422 ? text : "The server does not answer. The key is as it was."
    return form.reset()
  }
  await htmx.swap({ text, target: "#keys", select: "#keys", swap: "outerHTML", sourceElement: document.body })
  find("input:not([type=hidden])", all("[data-keys-form]")[at])?.focus()
}
