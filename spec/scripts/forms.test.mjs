import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, page, script, Server, soon, whole } from "./window.mjs"

page("")
const { renew } = await script("once.js")
await script("forms.js")
const { submit } = await script("page.js")

let server
const answer = { text: JSON.stringify({ at: "/projects/1/palettes", told: [], parts: [], page: "" }) }
const form = more => `<form id="one" method="post" action="/keep" ${more}><input name="once" value="first"><input name="name" value="Lamp"><button id="go" name="as" value="spot">Keep</button></form><form id="other" method="post" action="/undo"><input name="once" value="other"><button id="undo">Undo</button></form>`

beforeEach(async () => {
  await soon()
  server = new Server()
  server.usual = () => answer
  page(form(""))
})
const clicked = selector => { $(selector).click(); return $("#one").elements.once.value }
const sent = () => server.asked.flatMap(({ body }) => body.actions ?? [])

test("a form goes with its fields and the button that was pressed, not with its file fields", async () => {
  $("#go").click()
  await soon()
  assert.deepEqual(sent(), [{ path: "/keep", fields: [["once", "first"], ["name", "Lamp"], ["as", "spot"]] }])
})

test("a second click on the same, with nothing between, has the same key: it happens once", () => {
  assert.deepEqual([clicked("#go"), clicked("#go")], ["first", "first"])
})

test("anything else that is sent from it has another key", () => {
  clicked("#go")
  $("[name=name]").value = "Lamp 2"
  assert.notEqual(clicked("#go"), "first")
})

test("so has the same after something else was done", () => {
  clicked("#go")
  $("#undo").click()
  assert.notEqual(clicked("#go"), "first")
})

test("so has the same a second later", () => {
  const sentAt = time => {
    $("#one").dispatchEvent(Object.defineProperty(new Event("submit", { bubbles: true, cancelable: true }), "timeStamp", { value: time }))
    return $("#one").elements.once.value
  }
  assert.deepEqual([sentAt(5000), sentAt(5900)], ["first", "first"])
  assert.notEqual(sentAt(7000), "first")
})

test("where each click is meant, each has its own", () => {
  page(form("data-each"))
  const keys = [clicked("#go"), clicked("#go"), clicked("#go")]
  assert.equal(new Set(keys).size, 3)
})

test("what a script sends is meant", async () => {
  submit($("#one"))
  const first = $("#one").elements.once.value
  submit($("#one"))
  assert.notEqual($("#one").elements.once.value, first)
  renew($("#one"))
  assert.match($("#one").elements.once.value, /^[0-9a-f]{16}$/)
})

test("a question and a link are ways, which the browser does not go by itself", async () => {
  server.usual = ({ address }) => ({ text: whole(address) })
  page('<form action="/projects/1/match"><input name="search" value="fire clay"><button id="go">Search</button></form><a id="way" href="/projects/1/dress?tool=pick#x" data-parts="hand">Dress</a>')
  $("#go").click()
  await soon()
  page('<a id="way" href="/projects/1/dress?tool=pick" data-parts="hand">Dress</a><p id="hand"></p>')
  $("#way").click()
  await soon()
  assert.deepEqual(server.asked.map(({ address, headers }) => [address, headers["X-Parts"]]), [["/projects/1/match?search=fire+clay", undefined], ["/projects/1/dress?tool=pick", "hand"]])
})

test("links that are meant otherwise are the browser's", () => {
  for (const [html, more] of [['<a id="way" href="/x" download>x</a>'], ['<a id="way" href="/x" target="_blank">x</a>'], ['<a id="way" href="http://quillmere.example/">x</a>'], ['<a id="way" href="#work">x</a>'], ['<a id="way" href="/x">x</a>', { ctrlKey: true }], ['<a id="way" href="/x">x</a>', { button: 1 }]]) {
    page(html)
    const click = new MouseEvent("click", { bubbles: true, cancelable: true, button: 0, ...more })
    let left = null
    addEventListener("click", event => { left = !event.defaultPrevented; event.preventDefault() }, { once: true })
    $("#way").dispatchEvent(click)
    assert.equal(left, true, html)
  }
  assert.equal(server.asked.length, 0)
})
