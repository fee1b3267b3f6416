// The rest of Palettes: shifts previewed with CSS, editing in the ledger, inks, the
// check of health that comes after the page.
import { all, bring, find, submit, visit, whenPageChanges } from "./page.js"

// While a slider is dragged, CSS computes; on release the server does.
document.addEventListener("input", event => {
  const form = event.target.closest?.("#shift")
  if (form && event.target.type === "range") preview(form)
  if (event.target.id === "chip-size") find(".rows").style.setProperty("--chip", `${event.target.value}px`)
})
document.addEventListener("change", event => {
  const form = event.target.closest?.("#shift")
  if (form && event.target.type === "range") compute(form)
  if (event.target.closest?.("#ledger-models")) sendModels(event.target.form)
  if (event.target.matches?.(".ledger [data-field]")) sendCell(event.target)
  if (event.target.matches?.("[data-go-to]")) visit(event.target.value)
})

const amounts = form => Object.fromEntries(all("input[type=range]", form).map(input => [input.name, Number(input.value)]))

function outputs(form) {
  for (const input of all("input[type=range]", form)) {
    const output = input.parentElement.querySelector("output"), value = Number(input.value)
    output.textContent = `${value > 0 ? "+" : value < 0 ? "−" : ""}${Math.abs(value)}${output.dataset.unit}`
  }
}

// The same steps as the server's, in CSS's own colour functions. Warmth goes toward hue 70°, amber,
// by 0.08 for 100 at mid lightness, where l · (1 − l) is a quarter.
function shifting(form) {
  const { lightness, chroma, hue, contrast, warmth } = amounts(form)
  const warm = axis => `${axis === "a" ? "cos" : "sin"}(70deg) * .0032 * ${warmth} * l * (1 - l)`
  return was => `oklab(from oklch(from ${was} calc(.5 + (l - .5) * (1 + ${contrast} / 100) + ${lightness} / 100) calc(c * (1 + ${chroma} / 100)) calc(h + ${hue}) / alpha) l calc(a + ${warm("a")}) calc(b + ${warm("b")}) / alpha)`
}

// What a drag changes is set on the chips, and on whatever else draws a swatch: at the
// root it would make the browser compute the style of the whole page again, frame by frame.
// The small curves and the hand follow on release: they cost half a frame.
const DRAWN = ".compare, .chart, .chip-paint"
let shown = null // [{ id, was, chip, drawn }] while something is shifted
const tried = new Map() // id → [what stands at the root while it is shifted, what the swatch is]

function preview(form) {
  asking++ // what was asked before is out of date
  outputs(form)
  form.dataset.shifted = ""
  const shifted = shifting(form)
  for (const { id, was, chip, drawn } of shown ??= follow(form)) {
    const now = shifted(was)
    if (chip?.checkVisibility({ contentVisibilityAuto: true })) chip.style.background = halves(was, now) // the others on release
    for (const element of drawn) element.style.setProperty(`--swatch-${id}`, now)
  }
}

const halves = (was, now) => `linear-gradient(90deg, ${was} 50%, ${now} 50%)`

function follow(form) {
  const drawn = new Map(), chips = new Map(all("[data-chip]").map(chip => [chip.dataset.chip, chip]))
  for (const element of all(DRAWN)) {
    const follows = all("[data-follows]", element).flatMap(drawing => drawing.dataset.follows.split(","))
    for (const id of new Set([...element.outerHTML.matchAll(/var\(--swatch-(\d+)/g)].map(found => found[1]).concat(follows))) drawn.set(id, [...drawn.get(id) ?? [], element])
  }
  return shiftable(form).map(id => ({ id, chip: chips.get(id), was: held(id), drawn: drawn.get(id) ?? [] }))
}

// Parts of the page may come anew while the root still shows what is tried.
function held(id) {
  const now = find("#app").style.getPropertyValue(`--swatch-${id}`), [value, was] = tried.get(id) ?? []
  return now === value ? was : now
}

function shiftable(form) {
  const chosen = form.elements.scope && new Set(find("[data-selection]").dataset.selection.split(","))
  const within = chosen ? "" : `[data-palette="${form.elements.palette.value}"] `
  const ids = all(`${within}[data-chip]:not(.chip-locked, .chip-paint), ${within}[data-dot]:not(.dot-fixed)`).map(swatchOf)
  return [...new Set(ids)].filter(id => !chosen || chosen.has(id))
}

const swatchOf = element => element.dataset.chip ?? element.dataset.dot

let asking = 0
async function compute(form) {
  const mine = ++asking, query = new URLSearchParams(new FormData(form))
  for (const name of ["authenticity_token", "once"]) query.delete(name)
  const answer = await fetch(`${form.dataset.shift}?${query}`).catch(() => null)
  if (!answer?.ok) return
  const computed = await answer.json()
  if (mine !== asking) return
  for (const { id, was, chip, drawn } of shown ?? []) { // what something locked follows stays
    const now = computed[id] ?? was
    settle({ id, drawn, chip }, now, halves(was, now))
    tried.set(id, [now, was])
  }
  form.dataset.computed = mine
  document.dispatchEvent(new CustomEvent("swatch:tried", { detail: computed }))
}

// The value stands at the root again, for the whole page.
function settle({ id, drawn, chip }, value, background) {
  find("#app").style.setProperty(`--swatch-${id}`, value)
  for (const element of drawn) element.style.removeProperty(`--swatch-${id}`)
  if (chip) chip.style.background = background
}

function leaveShift() {
  asking++
  delete find("#shift")?.dataset.shifted
  for (const { id, was, chip, drawn } of shown ?? []) settle({ id, drawn, chip }, was, `var(--swatch-${id})`)
  shown = null
  tried.clear()
  document.dispatchEvent(new CustomEvent("swatch:tried", { detail: {} }))
}

document.addEventListener("click", event => {
  if (event.target.closest("[data-shift-reset]")) resetShift(find("#shift"))
  const compare = event.target.closest("[data-compare]")
  if (compare) openCompare(compare)
  const ink = event.target.closest("[data-ink]")
  if (ink) changeInks(ink)
})
document.addEventListener("keydown", event => { if (event.key === "Escape" && shown && find("#shift") && !find("#mix")) resetShift(find("#shift")) })

function resetShift(form) {
  for (const input of all("input[type=range]", form)) input.value = 0
  outputs(form)
  leaveShift()
}

// The artworks before and after, for what the sliders say.
function openCompare(button) {
  const form = button.form, query = new URLSearchParams(new FormData(form))
  for (const name of ["authenticity_token", "once"]) query.delete(name)
  if (!form.elements.scope) {
    const chosen = find("#selection")
    chosen.elements.ids.value = [...new Set(all(`[data-palette="${form.elements.palette.value}"] :is([data-chip], [data-dot])`).map(swatchOf))].join(",")
    const kept = new URLSearchParams(query)
    const hidden = ["lightness", "chroma", "hue", "contrast", "warmth"].map(name => Object.assign(document.createElement("input"), { type: "hidden", name, value: kept.get(name) }))
    chosen.append(...hidden)
    find("#change").disabled = false // nothing need be selected for it
    chosen.requestSubmit(find("#change"))
    for (const each of hidden) each.remove()
    return
  }
  find(".compare")?.scrollIntoView({ block: "start" })
}

// The ledger is edited in place, a cell at a time.
function sendCell(cell) {
  const form = find("#ledger-edit"), table = cell.closest("[data-edit]")
  form.action = `${table.dataset.edit}/${cell.closest("[data-row]").dataset.row}/edit`
  const fields = [[cell.dataset.field, cell.value], [`saw_${cell.dataset.field}`, cell.tagName === "SELECT" ? [...cell.options].find(option => option.defaultSelected)?.value ?? cell.options[0].value : cell.defaultValue]]
    .map(([name, value]) => Object.assign(document.createElement("input"), { type: "hidden", name, value }))
  form.append(...fields)
  submit(form)
  for (const field of fields) field.remove()
}

function sendModels(form) {
  form.elements.ledger.value = all("input[type=checkbox]:checked", form).map(box => box.value).join(",")
  submit(form)
}

function changeInks(button) {
  const inks = find(".paint-inks", button.form), rows = all(".paint-ink", inks)
  if (button.dataset.ink === "less") { if (rows.length > 2) button.closest(".paint-ink").remove() }
  else if (rows.length < 12) inks.append(rows.at(-1).cloneNode(true))
}

// What takes a moment comes after the page.
function load(place) {
  const path = place.dataset.fetch
  place.removeAttribute("data-fetch")
  bring(place, path)
}

whenPageChanges(() => {
  const place = find("[data-fetch]")
  if (place) load(place)
  const form = find("#shift")
  shown = null
  if (form && Object.values(amounts(form)).some(value => value !== 0)) { preview(form); compute(form) }
})
