import assert from "node:assert/strict"
import { afterEach, beforeEach, mock, test } from "node:test"
import { $, page, pointer, script, Server, soon, whole } from "./window.mjs"

page("<main>first</main>", { path: "/projects/1/palettes" })
const { act, idle } = await script("queue.js")
const { anew, visit } = await script("page.js")
const { preview } = await script("previews.js")

let server
const done = (html, more = {}) => ({ text: JSON.stringify({ at: "/projects/1/palettes", told: [], page: whole(`<main>${html}</main>`), ...more }) })
// An answer that comes when it is let go.
function held(answer) {
  let go
  const coming = new Promise(come => { go = () => come(answer) })
  return { answer: () => coming, go: () => { go(); return soon() } }
}
const action = name => act({ path: `/${name}`, fields: [["name", name]] })
const names = asked => asked.body.actions.map(({ path }) => path)
const shown = () => $("main")?.textContent

beforeEach(() => {
  server = new Server()
  page("<main>first</main>", { path: "/projects/1/palettes" })
})
afterEach(async () => {
  await soon()
  assert.ok(idle(), "something still waits")
})

test("what is done is sent at once, and the page is brought up to date", async () => {
  server.will(done("second", { told: [["Kept Lamp", "done"]] }))
  action("keep")
  assert.equal(idle(), false)
  assert.ok(document.documentElement.hasAttribute("data-waiting"))
  await soon()
  const [{ address, method, headers, body }] = server.asked
  assert.deepEqual([address, method, body.at, names({ body })], ["/actions", "POST", "/projects/1/palettes", ["/keep"]])
  assert.deepEqual([headers["X-CSRF-Token"], headers["X-Seen"], headers["X-Window"].length], ["token-1", "1-1-1", 16])
  assert.deepEqual([shown(), $(".notice p").textContent, document.documentElement.hasAttribute("data-waiting")], ["second", "Kept Lamp", false])
})

test("what is done meanwhile goes together, in order, and only the newest page is shown", async () => {
  const first = held(done("an older one"))
  server.will(first.answer, done("the newest"))
  action("one")
  await soon()
  action("two")
  action("three")
  assert.equal(server.asked.length, 1)
  let seen = null
  document.addEventListener("page:shown", () => { seen ??= shown() }, { once: true })
  await first.go()
  assert.deepEqual([names(server.asked[1]), seen, shown()], [["/two", "/three"], "the newest", "the newest"])
})

test("no more than a hundred go in one request", async () => {
  const first = held(done("x"))
  server.will(first.answer, done("x"), done("x"))
  action("first")
  for (let count = 0; count < 130; count++) action(`n${count}`)
  await first.go()
  assert.deepEqual(server.asked.map(asked => names(asked).length), [1, 100, 30])
})

test("a way that is asked for goes with what was done before it", async () => {
  const first = held(done("x"))
  server.will(first.answer, done("dress", { at: "/projects/1/dress" }))
  action("one")
  action("two")
  visit("/projects/1/dress")
  await first.go()
  assert.deepEqual([names(server.asked[1]), server.asked[1].body.then, location.pathname], [["/two"], "/projects/1/dress", "/projects/1/dress"])
})

test("of several ways the last is gone, and the one that was under way is called off", async () => {
  const slow = held({ text: whole("<main>gather</main>") })
  server.will(slow.answer, { text: whole("<main>match</main>") })
  visit("/projects/1/gather")
  await soon()
  visit("/projects/1/dress")
  visit("/projects/1/match")
  await slow.go()
  assert.deepEqual([server.asked.map(({ address }) => address), shown(), location.pathname], [["/projects/1/gather", "/projects/1/match"], "match", "/projects/1/match"])
})

test("parts that come anew call no way back: they are of where it goes", async () => {
  const slow = held({ text: whole("<main>too early</main>") })
  server.will(slow.answer, { text: whole("<main>dress</main>") })
  visit("/projects/1/dress")
  await soon()
  anew("tools hand")
  await slow.go()
  assert.deepEqual([server.asked.map(({ address, headers }) => [address, headers["X-Parts"]]), shown(), location.pathname],
    [[["/projects/1/dress", undefined], ["/projects/1/dress", undefined]], "dress", "/projects/1/dress"])
})

test("parts that come anew are asked for together with those of the way before, and by themselves where one stays", async () => {
  page('<aside id="side"></aside><aside id="hand"></aside>', { path: "/projects/1/dress" })
  const both = whole('<aside id="side">s</aside><aside id="hand">h</aside>')
  const slow = held({ text: both })
  server.will(slow.answer, { text: both }, { text: both })
  visit("/projects/1/dress?side=parts", "side hand")
  await soon()
  anew("tools hand")
  await slow.go()
  anew("hand")
  await soon()
  assert.deepEqual(server.asked.slice(1).map(({ address, headers }) => [address, headers["X-Parts"]]),
    [["/projects/1/dress?side=parts", "side hand tools"], ["/projects/1/dress?side=parts", "hand"]])
})

test("parts come anew of the page that waits for a finger, not of the one under it", async () => {
  server.will({ text: whole("<main>dress</main>") }, { text: whole("<main>dress, anew</main>") })
  pointer("down", $("main"), 5, 5)
  visit("/projects/1/dress")
  await soon()
  anew("tools")
  pointer("up", $("main"), 5, 5)
  await new Promise(go => setTimeout(go))
  await soon()
  assert.deepEqual([server.asked.map(({ address }) => address), shown(), location.pathname], [["/projects/1/dress", "/projects/1/dress"], "dress, anew", "/projects/1/dress"])
})

test("a refusal takes back what was shown, says why, and asks for the page as it is", async () => {
  const fresh = held({ text: whole("<main>as it is</main>") })
  server.will({ status: 422, text: JSON.stringify({ error: "Lamp is locked. Unlock it first" }) }, fresh.answer)
  preview($("main"), "data-tried", "yes")
  action("change")
  await soon()
  assert.equal($("main").dataset.tried, undefined) // at once
  await fresh.go()
  assert.deepEqual([$("main").dataset.tried, $(".notice-wrong p").textContent, shown()], [undefined, "Lamp is locked. Unlock it first", "as it is"])
})

test("parts of a page are brought up to date by themselves", async () => {
  page('<aside id="side">old</aside><main>stays</main>')
  server.will({ text: JSON.stringify({ at: "/projects/1/palettes", told: [], parts: ["side"], page: whole('<aside id="side">new</aside><main>other</main>') }) })
  action("note")
  await soon()
  assert.deepEqual([$("#side").textContent, shown()], ["new", "stays"])
})

test("where an answer that was not shown touched all, the whole page is shown", async () => {
  page('<aside id="side">old</aside><main>old</main>')
  const first = held(done("x"))
  server.will(first.answer, { text: JSON.stringify({ at: "/projects/1/palettes", told: [], parts: ["side"], page: whole('<aside id="side">new</aside><main>new</main>') }) })
  action("one")
  await soon()
  action("two")
  await first.go()
  assert.deepEqual([server.asked[1].body.whole, $("#side").textContent, shown()], [true, "new", "new"])
})

test("nothing is shown under a finger that is down, but when it is let go", async () => {
  server.will(done("second"))
  pointer("down", $("main"), 5, 5)
  action("keep")
  await soon()
  assert.deepEqual([server.asked.length, shown()], [1, "first"])
  pointer("up", $("main"), 5, 5)
  await new Promise(go => setTimeout(go))
  await soon()
  assert.equal(shown(), "second")
})

test("files go by themselves, after what was done before", async () => {
  const sent = []
  globalThis.XMLHttpRequest = class {
    upload = {}
    open(method, address) { this.address = address }
    setRequestHeader() {}
    send(files) {
      sent.push([this.address, files.get("name")])
      Object.assign(this, { status: 200, responseText: done("brought in").text })
      setImmediate(() => this.onload())
    }
  }
  const first = held(done("x")), files = new FormData()
  files.set("name", "moor.png")
  server.will(first.answer)
  action("one")
  act({ path: "/sources", files })
  await first.go()
  await soon()
  assert.deepEqual([sent, shown()], [[["/actions?path=%2Fsources&at=%2Fprojects%2F1%2Fpalettes", "moor.png"]], "brought in"])
})

test("without a server what was done waits, counted, and is sent as soon as it answers", async () => {
  mock.timers.enable({ apis: ["setTimeout"] })
  server.will({ lost: true }, { status: 503, text: "" }, done("at last"))
  action("one")
  await soon()
  assert.match($(".notice-waiting p").textContent, /^The server does not answer. What you did waits here and is sent as soon as it does/)
  assert.ok(document.documentElement.hasAttribute("data-unsent"))
  action("two")
  assert.match($(".notice-waiting p").textContent, /2 things that you did wait here and are sent/)
  mock.timers.tick(500)
  await soon()
  mock.timers.tick(999)
  await soon()
  assert.equal(server.asked.length, 2) // each pause is longer than the one before
  server.will(done("and the other"))
  mock.timers.tick(1)
  await soon()
  assert.deepEqual([server.asked.map(names), shown(), $(".notice-waiting")], [[["/one"], ["/one"], ["/one"], ["/two"]], "and the other", null])
  assert.equal(document.documentElement.hasAttribute("data-unsent"), false)
  mock.timers.reset()
})

test("a server that is busy says so, and is asked again at once where one wishes", async () => {
  mock.timers.enable({ apis: ["setTimeout"] })
  server.will({ status: 503, text: "Two before you" }, done("at last"))
  action("one")
  await soon()
  assert.match($(".notice-waiting p").textContent, /^The server is busy\./)
  $(".notice-waiting button").click()
  await soon()
  assert.equal(shown(), "at last")
  mock.timers.reset()
})

test("what waits for the server can be taken back, and is not sent any more", async () => {
  mock.timers.enable({ apis: ["setTimeout"] })
  server.will({ lost: true })
  preview($("main"), "data-tried", "yes")
  action("one")
  await soon()
  ;[...document.querySelectorAll(".notice-waiting button")].find(button => button.textContent === "Take it back").click()
  await soon()
  mock.timers.tick(10_000)
  await soon()
  assert.deepEqual([server.asked.length, $("main").dataset.tried, $(".notice-waiting")], [1, undefined, null])
  mock.timers.reset()
})

test("what is taken back while it is sent once more is not marked as waiting again", async () => {
  mock.timers.enable({ apis: ["setTimeout"] })
  const again = held({ lost: true })
  server.will({ lost: true }, again.answer)
  action("one")
  await soon()
  mock.timers.tick(500)
  await soon()
  ;[...document.querySelectorAll(".notice-waiting button")].find(button => button.textContent === "Take it back").click()
  await again.go()
  assert.deepEqual([server.asked.length, document.querySelectorAll(".notice-waiting").length], [2, 0])
  mock.timers.reset()
})

test("a page that cannot be had is said, and this one stays", async () => {
  server.will({ status: 404, text: "This is not here" })
  visit("/projects/9/gather")
  await soon()
  assert.deepEqual([$(".notice-wrong p").textContent, shown(), location.pathname], ["This is not here", "first", "/projects/1/palettes"])
})
