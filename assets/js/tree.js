// The tree of groups and parts: picking, names, eye and lock; what is open stays open.
import { all, bring, find, submit, whenPageChanges } from "./page.js"
import { part } from "./drawings.js"
import { read } from "./numbers.js"
import { where } from "./outline.js"
import { pick, picked } from "./picks.js"
import { giveAll, host } from "./stage.js"

const SOON = 150 // ms after the last letter of a search
const opened = new Set() // ids of groups
let timer = null

const row = element => element.closest?.(".tree-row")
const numbers = of => read(of.dataset.numbers)

document.addEventListener("click", event => {
  const of = row(event.target)
  if (!of) return
  const { treeAct } = event.target.dataset
  if (treeAct) giveAll(numbers(of), treeAct)
  else if ("treeRename" in event.target.dataset) rename(of)
  else if ("treePick" in event.target.dataset) pick(numbers(of), event.shiftKey || event.ctrlKey || event.metaKey ? "add" : undefined)
})

document.addEventListener("dblclick", event => { if ("treePick" in event.target.dataset) rename(row(event.target)) })
document.addEventListener("keydown", event => {
  if (event.key === "F2" && row(event.target)) rename(row(event.target))
})

// Where it is.
for (const type of ["pointerover", "focusin"]) document.addEventListener(type, event => {
  const of = row(event.target)
  if (of && host()) where(numbers(of).map(number => part(host(), number)).filter(Boolean))
  else if (find(".tree")) where([])
})

// The name becomes a field: Enter keeps what is written, Esc what was.
function rename(of) {
  const name = find(".tree-name", of), field = Object.assign(document.createElement("input"), { value: name.textContent, defaultValue: name.textContent, maxLength: 60, className: "tree-field" })
  let left = false // taking the field away takes its focus, too
  const leave = () => {
    if (left) return
    left = true
    field.replaceWith(name)
    name.focus()
  }
  field.setAttribute("aria-label", `Name of ${name.textContent}`)
  name.replaceWith(field)
  field.focus() // selecting does not everywhere
  field.select()
  field.addEventListener("blur", leave)
  // A space let go within a summary opens its group, whatever it was typed into.
  field.addEventListener("keyup", event => { if (event.key === " ") event.preventDefault() })
  field.addEventListener("keydown", event => {
    if (event.key !== "Enter" && event.key !== "Escape") return
    event.stopPropagation()
    event.preventDefault()
    const { value } = field
    leave()
    if (event.key === "Enter" && value.trim() && value !== name.textContent) keep(of, value)
  })
}

function keep(of, name) {
  const form = find("#part-name")
  form.elements.name.value = name
  form.elements.group.value = of.dataset.group ?? ""
  form.elements.number.value = numbers(of)[0]
  submit(form)
}

document.addEventListener("input", event => {
  if (event.target.id !== "tree-search") return
  clearTimeout(timer)
  timer = setTimeout(() => find("#tree") && bring(find("#tree"), `${event.target.dataset.path}?search=${encodeURIComponent(event.target.value)}`), SOON)
})

document.addEventListener("toggle", ({ target }) => {
  if (target.matches?.(".tree details")) target.open ? opened.add(target.id) : opened.delete(target.id)
}, true)

function mark() {
  const now = picked()
  for (const of of all(".tree-row")) of.classList.toggle("tree-picked", now.size > 0 && numbers(of).every(number => now.has(number)))
}

// What came may hold what was open before.
new MutationObserver(changes => {
  if (!changes.some(({ target, addedNodes }) => addedNodes.length && target.closest?.("#side"))) return
  for (const group of all(".tree details:not([open])")) if (opened.has(group.id)) group.open = true
  mark()
}).observe(document.documentElement, { childList: true, subtree: true })

document.addEventListener("parts:picked", mark)
whenPageChanges(mark)
