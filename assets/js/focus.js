// Where the focus goes when the page changes under it. What opens takes it (data-opens), and
// gives it back to what opened it; what was there before keeps it; what is gone leaves it to
// its neighbour. It is never lost to the page as a whole.
import { all, find, typing } from "./page.js"
import { lastIn, membersOf } from "./roving.js"
import { stopsIn, usable } from "./stops.js"

const LANDMARKS = ".head, .hand, #mix, main > *"

let had = null // the mark of what had the focus before the page changed
let came = null // the mark of what had it before something opened
let opened = now() // what is open: { name, panel }; what a page came with did not open in it
let within = false // whether the focus was in what was open

// The last of those that are open.
function now() {
  const panel = all("[data-opens]").at(-1)
  return { panel, name: panel?.dataset.opens }
}

const looks = element => [element.localName, element.name, element.value, element.getAttribute("href"), element.getAttribute("aria-label") ?? element.textContent.trim()]

// What tells an element from the others, on this page and the next.
function markOf(element) {
  if (!element || element === document.body) return null
  const landmark = element.closest(LANDMARKS), set = element.closest("[data-roving]"), member = set && membersOf(set).includes(element)
  return {
    element, id: element.id, like: looks(element),
    set: member ? set.dataset.roving : null, // of thousands, perhaps: its own place in it is known
    landmark: landmark && `.${[...landmark.classList][0] ?? landmark.id}`, at: landmark && !member ? stopsIn(landmark).indexOf(element) : -1
  }
}

const same = ({ like }) => element => looks(element).every((value, index) => value === like[index])

// Itself, where it still is; its set's member in its place; what stands where it stood.
function backTo(mark) {
  if (!mark) return null
  if (mark.element.isConnected && usable(mark.element)) return mark.element
  if (mark.set) return inSet(find(`[data-roving="${mark.set}"]`))
  const byId = mark.id && document.getElementById(mark.id)
  if (usable(byId)) return byId
  const landmark = mark.landmark && find(mark.landmark), stops = landmark ? stopsIn(landmark) : []
  return stops.find(same(mark)) ?? stops[Math.min(Math.max(mark.at, 0), stops.length - 1)] ?? null
}

const inSet = set => usable(set) ? lastIn(set) : null

// What is worked on is come back to, where nothing else is left.
const workItself = () => all("main [data-roving]").map(inSet).find(Boolean) ?? find("#work")

function enter(panel) {
  const stops = stopsIn(panel).filter(stop => stop.tabIndex >= 0)
  // A finger did not ask for a keyboard.
  const first = matchMedia("(pointer: coarse)").matches ? stops.find(stop => !typing(stop)) : stops[0]
  first?.focus({ preventScroll: true })
}

document.addEventListener("page:leaving", () => {
  had = markOf(document.activeElement) ?? had
  within = Boolean(opened.panel?.contains(document.activeElement))
})
// A form is left by its button, which may be gone before the page comes.
document.addEventListener("submit", event => { if (event.submitter) had = markOf(event.submitter) }, true)

document.addEventListener("page:shown", () => {
  const was = opened.name, { panel, name } = opened = now()
  const lost = document.activeElement === document.body || !usable(document.activeElement)
  if (panel && name !== was) {
    came ??= had
    enter(panel)
  } else if (!panel && was) {
    if (lost || within) (backTo(came) ?? workItself())?.focus({ preventScroll: true })
    came = null
  } else if (lost && had) (backTo(had) ?? workItself())?.focus({ preventScroll: true })
  had = null
})
