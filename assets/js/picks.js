// Which parts are picked. It is the window's own matter: the page asks the server what
// they have in common, and keeps them through whatever else happens, also a reload.
import { anew, find, whenPageChanges } from "./page.js"
import { read, write } from "./numbers.js"
import { awaiting } from "./waiting.js"

const SOON = 40 // ms: who walks fast by key asks once
const KEY = "picked"
const kept = new Map(Object.entries(before()).map(([artwork, text]) => [artwork, new Set(read(text))]))
let timer = null
let besides = "" // parts of the page that are asked for with the next pick
let asked = null // what the page was asked about last

// Colourways share their parts.
const artwork = () => find("#stage")?.dataset.drawn

// @returns {Set<number>} those of the artwork on the stage
export const picked = () => kept.get(artwork()) ?? new Set()

// @param {Iterable<number>} numbers
// @param {string} [how] "add", "toggle", or these only
// @param {string} [also] a part of the page that comes anew, too
export function pick(numbers, how, also = "") {
  const now = new Set(how ? picked() : [])
  for (const number of numbers) how === "toggle" && now.has(number) ? now.delete(number) : now.add(number)
  kept.set(artwork(), now)
  keep()
  document.dispatchEvent(new CustomEvent("parts:picked"))
  besides ||= also
  askSoon()
}

// What is about to be asked is awaited already.
function askSoon() {
  if (timer === null) awaiting(+1)
  clearTimeout(timer)
  timer = setTimeout(() => { ask(); awaiting(-1) }, SOON)
}

// What is given, cleared or worn by a press goes to what is outlined, also before the panel has
// come anew. What was typed there was typed of the parts before, and stays theirs.
const OF_ANY = /^(give|clear|wear|take-off)(-|$)/
document.addEventListener("formdata", ({ target, formData }) => {
  if (target.id === "picked" && OF_ANY.test(formData.get("act"))) formData.set("parts", write(picked()))
})

// What was picked before a reload. A browser may keep nothing, if it is told so.
function before() {
  try {
    return JSON.parse(sessionStorage.getItem(KEY) ?? "{}")
  } catch {
    return {}
  }
}

// For requests: of which artwork, and which.
export const said = () => artwork() ? `${artwork()}:${write(picked())}` : ""

function keep() {
  const texts = [...kept].filter(([, set]) => set.size > 0 && set.size < 5000).map(([id, set]) => [id, runs(set)])
  try {
    sessionStorage.setItem(KEY, JSON.stringify(Object.fromEntries(texts)))
  } catch {
    // then it is gone with a reload
  }
}

const runs = set => [...set].join(",")

function ask() {
  timer = null
  const also = besides
  besides = ""
  if (!find("#tools[data-picked]") || find("#tools").dataset.picked === said() && !also) return
  asked = said()
  anew(`tools hand ${also}`.trim())
}

// A page that came without knowing asks once more.
whenPageChanges(() => {
  const shows = find("#tools[data-picked]")?.dataset.picked
  if (shows !== undefined && shows !== said() && asked !== said() && timer === null) askSoon()
  if (shows === said()) asked = null
})
