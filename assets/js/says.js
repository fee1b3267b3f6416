// What came of what was done is said in a sentence, as the page shows it: what was done or
// undone, what was read, what is in hand, what opened, and where one is.
import { all, find } from "./page.js"
import { say, warn } from "./announce.js"

const text = element => element?.textContent.replace(/\s+/g, " ").trim() ?? ""

// What the page tells at a moment, in the order in which it is said.
const told = () => ({
  place: document.title.split(" · ")[0],
  done: find("#undo")?.title.match(/^Undo: (.*)/s)?.[1] ?? "",
  opened: text(find("[data-opens] h1")) || (find("#mix")?.dataset.say ?? ""),
  reading: find("#reading-now")?.dataset.say ?? "",
  picked: find("#picked")?.dataset.say ?? "",
  hand: find("#hand .drop-shape")?.getAttribute("aria-label") ?? ""
})
const latest = () => Number(find("#undo")?.dataset.change ?? 0)

let last = { ...told(), change: latest() }
let heard = null // the notice that was said last
let timer = null

// The notice that stands there, once.
function news() {
  const notice = all(".notice:not(.notice-waiting)").at(-1)
  if (!notice || notice === heard) return null
  heard = notice
  return { words: text(find("p", notice)), wrong: notice.classList.contains("notice-wrong") }
}

// A notice says itself what was done, and what was undone leaves an older change on top.
function tell() {
  const notice = news(), now = told(), change = latest()
  const changed = Object.keys(now).filter(name => now[name] && now[name] !== last[name] && (name !== "done" || !notice && change > last.change))
  last = { ...now, change }
  if (notice?.wrong) warn(notice.words)
  const words = [notice?.wrong ? "" : notice?.words, ...changed.map(name => now[name])].filter(Boolean)
  if (words.length) say(words.join(". "))
}

// In one sentence, with the notice that comes after the page.
function soon() {
  clearTimeout(timer)
  timer = setTimeout(tell, 20)
}

document.addEventListener("page:shown", soon)
new MutationObserver(changes => { if (changes.some(({ addedNodes }) => [...addedNodes].some(node => node.matches?.(".notice")))) soon() }).observe(document.documentElement, { childList: true, subtree: true })
