// The artwork: picking a part, sweeping through parts, walking through them by key,
// and the outline of what is picked.
import { all, find, submit, visit, whenPageChanges } from "./page.js"
import { preview } from "./previews.js"

const stage = () => find("#stage")
const tool = () => find(".dress")?.dataset.tool
const parts = () => all("[data-part]", stage()).filter(part => part.getBoundingClientRect && part.localName !== "stop")
let swept = null // keys of the parts that the pointer went over while it is down

document.addEventListener("pointerdown", event => {
  const part = event.target.closest?.("#stage [data-part]")
  if (!part || event.button !== 0) return
  event.preventDefault()
  stage().focus({ preventScroll: true })
  if (tool() === "pick") return pick(part.dataset.part)
  swept = { keys: [part.dataset.part], line: event.shiftKey }
  showHeld(part)
})

document.addEventListener("pointermove", event => {
  if (!swept) return
  const part = document.elementFromPoint(event.clientX, event.clientY)?.closest("#stage [data-part]")
  if (!part || swept.keys.includes(part.dataset.part)) return
  swept.keys.push(part.dataset.part)
  showHeld(part)
})

document.addEventListener("pointerup", () => {
  if (!swept) return
  dress(swept.keys, swept.line ? "line" : "fill")
  swept = null
})

document.addEventListener("keydown", event => {
  if (event.target !== stage()) return
  const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  const keys = parts().map(part => part.dataset.part)
  const at = keys.indexOf(stage().dataset.walked ?? stage().dataset.picked)
  if (step) {
    event.preventDefault()
    stage().dataset.walked = keys[(at + step + keys.length) % keys.length] ?? ""
    outline()
  } else if (event.key === "Enter" && at >= 0) {
    tool() === "pick" ? pick(keys[at]) : dress([keys[at]], event.shiftKey ? "line" : "fill")
  }
})

// Shows the colour in hand at once; the server's answer settles it.
function showHeld(part) {
  const held = find("#in-hand")
  if (!held) return
  preview(part, swept.line ? "stroke" : "fill", getComputedStyle(held).backgroundColor)
}

function pick(key) {
  const address = new URL(location.href)
  address.searchParams.set("artwork", stage().dataset.artwork)
  address.searchParams.set("part", key)
  address.searchParams.set("tool", tool())
  preview(stage(), "data-picked", key)
  delete stage().dataset.walked
  outline()
  visit(address.pathname + address.search, "rack tools hand")
}

function dress(keys, role) {
  const form = find("#dress-form")
  all("input[name='parts[]']", form).forEach(input => input.remove())
  for (const key of keys) form.append(Object.assign(document.createElement("input"), { type: "hidden", name: "parts[]", value: key }))
  form.elements.role.value = role
  submit(form)
}

// A copy of the picked part, drawn as a dashed line over the artwork.
function outline() {
  const layer = find("#outline")
  if (!layer || !stage()) return
  layer.replaceChildren()
  const key = stage().dataset.walked ?? stage().dataset.picked
  const part = key && find(`[data-part="${CSS.escape(key)}"]`, stage())
  if (!part?.getScreenCTM || part.localName === "stop") return
  const drawing = find("svg", stage())
  const matrix = layer.getScreenCTM().inverse().multiply(part.getScreenCTM())
  for (const [colour, dash] of [["#000", ""], ["#fff", "7 5"]]) {
    const copy = part.cloneNode(true)
    for (const node of [copy, ...copy.querySelectorAll("*")]) for (const name of ["id", "data-part", "filter", "mask", "opacity", "clip-path", "style"]) node.removeAttribute(name)
    const paint = { fill: "none", stroke: colour, "stroke-width": 2, "stroke-opacity": 1, "stroke-dasharray": dash, "vector-effect": "non-scaling-stroke", transform: `matrix(${matrix.a} ${matrix.b} ${matrix.c} ${matrix.d} ${matrix.e} ${matrix.f})` }
    for (const [name, value] of Object.entries(paint)) copy.setAttribute(name, value)
    if (part.closest("text")) copy.setAttribute("font-family", getComputedStyle(part).fontFamily)
    layer.append(copy)
  }
  if (drawing) layer.dataset.outlined = key
}

whenPageChanges(() => {
  if (!stage()) return
  delete stage().dataset.walked
  outline()
})
addEventListener("resize", outline)
