// Everything that changes something goes through here, one thing after the other, in
// the order in which it was done. What is done while an answer is awaited goes with the
// next request; the page is brought up to date when nothing waits any more, so that what
// was shown beforehand stands until the newest answer. Without a server, it waits.
import { find, show } from "./page.js"
import { takeBack } from "./previews.js"
import { getPage, here, sendActions, sendFiles } from "./sending.js"
import { tell, tellAll } from "./trouble.js"
import { awaiting, released } from "./waiting.js"

const MOST = 100 // actions in one request
const PAUSES = [500, 1000, 2000, 4000] // ms before it is sent again

let queue = [] // { path, fields }, { path, files, progress } or { way, parts }
let running = false
let at = null // where the server has this window, while its page is an older one
let whole = false // whether an answer that was not shown touched more than parts
let told = []
let asking = null // calls off the page that is asked for
let coming = null // the address of a page that waits for a finger
let again = null // sends at once what waits for the server

export const idle = () => !running

export function act(action) {
  queue.push(action)
  unsent()
  run()
}

// The last way that is asked for is the one that is gone.
document.addEventListener("page:visit", ({ detail: { path, parts, back, said } }) => {
  if (said) told.push(said)
  let gone = null
  while (queue.at(-1)?.way) gone = queue.pop()
  queue.push(path ? { way: path, parts, back } : anew(gone, parts))
  asking?.abort()
  run()
})

// The same way as before, if there was one, with these parts too.
const anew = (gone, parts) => gone ? { ...gone, parts: gone.parts && either(gone.parts, parts) } : { way: coming ?? at ?? here(), parts }
const either = (...lists) => [...new Set(lists.join(" ").split(" "))].join(" ")

async function run() {
  if (running) return
  running = true
  awaiting(+1)
  try {
    while (queue.length) await step()
  } finally {
    running = false
    awaiting(-1)
  }
}

async function step() {
  if (queue[0].way) return go(queue[0])
  const batch = together(), answer = await sent(batch)
  for (const each of batch) each.done?.()
  if (!answer) return
  queue = queue.filter(each => !batch.includes(each))
  answer.refused === undefined ? take(answer.ok) : refuse(answer.refused)
  if (queue.length === 0) await settle(answer.ok, batch.at(-1).back)
}

// What goes in one request: actions, up to one with files, and the way after them.
function together() {
  if (queue[0].files) return [queue[0]]
  const end = queue.findIndex(each => !each.fields)
  const actions = queue.slice(0, Math.min(end < 0 ? queue.length : end, MOST)), next = queue[actions.length]
  return next?.way ? [...actions, next] : actions
}

// Until there is an answer, or it was taken back.
async function sent(batch) {
  for (let tries = 0; ; tries++) {
    const answer = await send(batch)
    if (!answer.later) return online(answer)
    if (!queue.includes(batch[0])) return null
    offline(answer.words)
    await pause(PAUSES[Math.min(tries, PAUSES.length - 1)])
    if (!queue.includes(batch[0])) return null
  }
}

function send([first, ...others]) {
  const from = at ?? here()
  if (first.files) return sendFiles(`/actions?${new URLSearchParams({ path: first.path, at: from })}`, first.files, first.progress)
  const batch = [first, ...others], way = batch.at(-1).way
  return sendActions({ at: from, then: way, whole: whole || find("#mix") !== null, actions: batch.filter(each => each.fields).map(({ path, fields }) => ({ path, fields })) })
}

function take(answer) {
  at = answer.at
  whole ||= !answer.parts
  told.push(...answer.told)
}

function refuse(words) {
  takeBack()
  if (words) told.push([words, "wrong"])
}

// Nothing waits: the page is brought up to date, unless something was done meanwhile.
async function settle(answer, back) {
  await released()
  if (queue.length) return
  if (!answer) answer = await fresh()
  if (queue.length || !answer) return
  const shown = at ?? here(), parts = whole ? undefined : answer.parts
  at = null
  whole = false
  enter(shown, back)
  await show(answer.page, parts)
  tellAll(told.splice(0))
}

async function fresh() {
  const page = await getPage(at ?? here())
  if (page?.text) return { page: page.text }
  tellAll(told.splice(0))
}

function enter(path, back) {
  if (!back && path !== here()) history.pushState({}, "", path)
}

// A way without anything to be done before.
async function go(way) {
  asking = new AbortController()
  const page = await getPage(way.way, at || whole ? undefined : way.parts, asking.signal)
  asking = null
  queue = queue.filter(each => each !== way)
  if (!page || queue.some(each => each.way)) return
  if (page.refused) {
    if (queue.length === 0) takeBack()
    return tell(page.refused, "wrong")
  }
  coming = page.at
  await released()
  coming = null
  if (queue.length) {
    at = page.at
    whole = true
    return
  }
  const parts = way.parts && !at && !whole ? way.parts.split(" ") : undefined
  at = null
  whole = false
  enter(page.at, way.back)
  await show(page.text, parts)
  tellAll(told.splice(0))
}

addEventListener("popstate", () => document.dispatchEvent(new CustomEvent("page:visit", { detail: { path: here(), back: true } })))

// Without a server what was done is marked as waiting.
const count = () => queue.filter(each => !each.way).length

function unsent() {
  const notice = find(".notice-waiting p")
  if (notice) notice.textContent = words()
}

const words = (why = "The server does not answer") => `${why}. ${count() === 1 ? "What you did waits here and is" : `${count()} things that you did wait here and are`} sent as soon as it does.`

function offline(why) {
  document.documentElement.toggleAttribute("data-unsent", true)
  if (find(".notice-waiting")) return unsent()
  tell(words(why ? "The server is busy" : undefined), "waiting", [["Try now", () => again?.()], ["Take it back", giveUp]])
}

function online(answer) {
  document.documentElement.toggleAttribute("data-unsent", false)
  find(".notice-waiting")?.remove()
  return answer
}

function giveUp() {
  queue = []
  takeBack()
  online()
  again?.()
}

const pause = time => new Promise(resolve => {
  const timer = setTimeout(resolve, time)
  again = () => { clearTimeout(timer); again = null; resolve() }
})

addEventListener("online", () => again?.())
addEventListener("beforeunload", event => { if (count()) event.preventDefault() })
