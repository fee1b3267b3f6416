// Artworks as drawings. Each stands in a root of its own (a shadow root), so that no
// identifier, class or style of the file meets the page's. The drawing comes once, from an
// address that changes with it; from then on only the paints that changed.
import { all, find, whenPageChanges } from "./page.js"
import { lined } from "./lines.js"
import { read } from "./numbers.js"
import { awaiting } from "./waiting.js"

const OPACITY = { fill: "fill-opacity", line: "stroke-opacity", stop: "stop-opacity" }
const PAINT = { fill: "fill", line: "stroke", stop: "stop-color" }
const KEPT = 12 // drawings that were parsed already

const sheet = new CSSStyleSheet()
sheet.replaceSync(`
  svg.drawing { display: block; position: absolute; inset: 0; width: 100%; height: 100%; overflow: hidden; margin: 0; max-width: none; max-height: none; min-width: 0; min-height: 0; }
  [data-part] { cursor: var(--part-cursor, inherit); }
  .locked { pointer-events: none; }
  :host([data-bare]) svg { visibility: hidden; }
`)

const parsed = new Map() // address → promise of a document
const told = new Map() // address and stamp → promise of paints that are under way
const own = new WeakMap() // part → the style that its file gives it
const set = new WeakMap() // part → properties that are set of it, by role
const shown = new WeakMap() // host → { address, mark, stamp, parts, ready }

// Every drawing of the page, in its root.
export const roots = () => all("[data-drawing]").map(host => host.shadowRoot).filter(Boolean)

// @returns {Element|undefined} of that number
export const part = (host, number) => shown.get(host)?.parts?.[number]

// @returns {Array<Element>} by number
export const parts = host => shown.get(host)?.parts ?? []

// What a page knows of its stage already, for the server to tell the rest.
export function painted() {
  const host = find("#stage-drawing"), state = host && shown.get(host)
  return state?.stamp !== undefined && !state.swaps ? `${host.dataset.artwork}-${state.stamp}` : ""
}

// The parts under a point of the window, from the top; a part is what is painted.
export function partsUnder(host, clientX, clientY) {
  const found = host.shadowRoot?.elementsFromPoint(clientX, clientY).map(element => element.closest("[data-part]")).filter(Boolean) ?? []
  return [...new Set(found)]
}

// @returns {number|undefined} of the part on top there
export function topUnder(host, clientX, clientY) {
  const number = host.shadowRoot?.elementFromPoint(clientX, clientY)?.closest("[data-part]")?.dataset.part
  return number === undefined ? undefined : Number(number)
}

async function fetched(address) {
  const answer = await fetch(address)
  if (!answer.ok) throw new Error(`${answer.status}`)
  return new DOMParser().parseFromString(await answer.text(), "image/svg+xml")
}

function drawing(address) {
  if (!parsed.has(address)) {
    parsed.set(address, fetched(address).catch(error => { parsed.delete(address); throw error }))
    if (parsed.size > KEPT) parsed.delete(parsed.keys().next().value)
  }
  return parsed.get(address)
}

function paints(host, since) {
  const { paints: path, swaps } = host.dataset, address = swaps ? `${path}?swaps=${swaps}` : `${path}?since=${since}`
  if (!told.has(address)) told.set(address, fetch(address).then(answer => answer.ok ? answer.json() : Promise.reject(new Error(answer.status))).finally(() => told.delete(address)))
  return told.get(address)
}

// Brings a drawing to what its page says it is.
export async function follow(host) {
  const state = shown.get(host) ?? {}
  const { swaps = "" } = host.dataset, shows = `${host.dataset.artwork} ${swaps}`
  if (state.shows !== shows) Object.assign(state, { shows, swaps, stamp: 0, mark: null }) // a colourway has the same drawing
  const came = saidWith(host, state)
  if (came) {
    paint(host, came)
    host.dataset.mark = came.mark
  }
  const { drawing: address, mark } = host.dataset, asked = `${address} ${shows} ${mark}`
  if (state.asked === asked || state.address === address && state.mark === mark) return
  shown.set(host, Object.assign(state, { asked }))
  awaiting(+1)
  try {
    if (state.address !== address) await draw(host, address)
    const given = await paints(host, shown.get(host).stamp)
    if (host.dataset.drawing === address && state.shows === shows) paint(host, given)
    delete host.dataset.failed
  } catch {
    host.dataset.failed = "The drawing did not come. It is asked for again when the page changes."
  } finally {
    if (state.asked === asked) state.asked = null
    awaiting(-1)
  }
}

async function draw(host, address) {
  host.dataset.bare = ""
  const svg = document.importNode((await drawing(address)).documentElement, true)
  if (host.dataset.drawing !== address) return // another is wanted by now
  const root = host.shadowRoot ?? host.attachShadow({ mode: "open" })
  root.adoptedStyleSheets = [sheet]
  svg.classList.add("drawing")
  root.replaceChildren(svg)
  const numbered = []
  for (const element of svg.querySelectorAll("[data-part]")) {
    numbered[element.dataset.part] = element
    own.set(element, element.getAttribute("style"))
  }
  Object.assign(shown.get(host), { address, parts: numbered, ofFile: [...numbered], lines: [], stamp: 0, mark: null, servers: "" })
}

// Paints that came with the page, since what it shows.
function saidWith(host, state) {
  const said = find("#told")
  return said?.dataset.artwork === host.dataset.artwork && state.stamp && !state.swaps && Number(said.dataset.since) === state.stamp ? JSON.parse(said.textContent) : null
}

function paint(host, { paints: given, lines, servers, since, stamp, mark, locked }) {
  const state = shown.get(host)
  for (const [role, , , numbers] of given) if (role !== "stop") for (const number of numbers) line(state, number, lines[number])
  lock(state, read(locked))
  for (const [role, text, opacity, numbers, properties] of given) for (const number of numbers) {
    const element = state.parts[number]
    if (!element) continue
    if (properties || set.has(element) || element.getAttribute("style") !== own.get(element)) drawSo(element, role, properties)
    element.setAttribute(PAINT[role], text)
    opacity < 1 ? element.setAttribute(OPACITY[role], opacity) : element.removeAttribute(OPACITY[role])
  }
  if (servers !== state.servers) serve(host, servers, since === 0)
  Object.assign(state, { stamp, mark, servers })
  delete host.dataset.bare
  host.dispatchEvent(new CustomEvent("drawing:painted", { bubbles: true }))
}

// What is known of a part is known of what stands for it.
function line(state, number, text) {
  if (state.lines[number] === text) return
  state.lines[number] = text
  const element = state.parts[number], made = element && lined(element, text, state.ofFile[number])
  if (made === element) return
  for (const known of [own, set]) if (known.has(element)) known.set(made, known.get(element))
  state.parts[number] = made
}

// The pointer passes over what is locked.
function lock(state, numbers) {
  for (const number of state.locked ?? []) state.parts[number]?.classList.remove("locked")
  state.locked = numbers.filter(number => state.parts[number]?.classList.add("locked") === undefined)
}

// How a line or a part is drawn, where that is other than its file says. Whatever was shown
// beforehand gives way.
function drawSo(element, role, properties) {
  const drawn = { ...set.get(element), [role]: properties }
  set.set(element, drawn)
  const style = [own.get(element), ...Object.values(drawn).flatMap(all => Object.entries(all ?? {}).map(pair => pair.join(":")))].filter(Boolean).join(";")
  style ? element.setAttribute("style", style) : element.removeAttribute("style")
}

// Gradients and patterns of palettes: all of them, or those that may be other than they were.
function serve(host, text, whole) {
  const svg = host.shadowRoot.querySelector("svg")
  let defs = svg.querySelector("[data-servers]")
  if (whole) defs?.remove()
  if (!text) return
  if (whole || !defs) {
    defs = document.createElementNS(svg.namespaceURI, "defs")
    defs.dataset.servers = ""
    svg.prepend(defs)
  }
  const came = new DOMParser().parseFromString(`<svg xmlns="http://www.w3.org/2000/svg">${text}</svg>`, "image/svg+xml").documentElement
  for (const server of came.querySelectorAll("defs > [id]")) {
    const fresh = document.importNode(server, true), was = whole ? null : svg.getElementById(server.id)
    was ? was.replaceWith(fresh) : defs.append(fresh)
  }
}

whenPageChanges(() => all("[data-drawing]").forEach(follow))
