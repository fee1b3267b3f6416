// The list of colours in an artwork: where each is, and which strays would be linked.
import { find, all, whenPageChanges } from "./page.js"
import { follow } from "./drawings.js"
import { where } from "./outline.js"

const HELD = ["fill", "stroke", "stop-color"]
let previewed = [] // [element, attribute, what it was] while a limit is tried

const root = () => find("#stage-drawing")?.shadowRoot

// Parts that hold a paint, and those that hold it by a stop of theirs.
function holding(paint) {
  const [opaque] = paint.match(/^#\w{6}/) ?? [paint]
  const found = all(HELD.map(name => `[${name}="${opaque}"]`).join(), root())
  return found.flatMap(element => element.localName === "stop" ? all(`[fill*="(#${element.parentElement.id})"], [stroke*="(#${element.parentElement.id})"]`, root()) : [element])
}

// Over a row: where it is.
for (const type of ["pointerover", "focusin"]) document.addEventListener(type, event => {
  const row = event.target.closest?.("[data-shows]")
  if (root()) where(row ? holding(row.dataset.shows) : [])
})

// The limit says how many strays it takes, and the drawing shows what they would become.
function links(limit) { return all("[data-difference]").filter(button => Number(button.dataset.difference) <= limit) }

document.addEventListener("input", event => {
  if (event.target.id !== "within") return
  const limit = Number(event.target.value), taken = links(limit)
  find("output[for=within]").textContent = `ΔE ${limit.toFixed(1)}`
  find("#link-strays").textContent = `Link ${taken.length} ${taken.length === 1 ? "stray" : "strays"}`
  find("#link-strays").disabled = taken.length === 0
  show(taken)
})

for (const type of ["pointerover", "focusin"]) document.addEventListener(type, event => {
  if (!find("#within") || !root()) return
  const link = event.target.closest?.("[data-difference]")
  if (link) show([link])
  else if (event.target.closest?.("#link-strays, #within")) show(links(Number(find("#within").value)))
  else if (previewed.length) leave()
})

function show(taken) {
  leave()
  for (const { dataset: { from, to } } of taken) for (const name of HELD) for (const element of all(`[${name}="${from.slice(0, 7)}"]`, root())) {
    previewed.push([element, name, element.getAttribute(name)])
    element.setAttribute(name, to)
  }
}

function leave() {
  for (const [element, name, was] of previewed.splice(0).reverse()) if (element.getAttribute(name).startsWith("var(")) element.setAttribute(name, was)
}

// What a swap would bring is shown while its button is pointed at.
for (const type of ["pointerover", "focusin"]) document.addEventListener(type, event => {
  const form = event.target.closest?.("#swap-colour button")?.form, host = find("#stage-drawing")
  if (!host || find("#swap-palette") || (host.dataset.swaps ?? "") === (form?.dataset.swap ?? "")) return
  form?.dataset.swap ? host.dataset.swaps = form.dataset.swap : delete host.dataset.swaps
  follow(host)
})

// Before the drawing is given its new paints, it has its old ones.
document.addEventListener("page:leaving", leave)
whenPageChanges(() => {
  if (root()) where([])
  if (!find(".keep-strays[open]")) find("#strays")?.reset() // the page says what is offered now
})
