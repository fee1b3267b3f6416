import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, page, press, script, whole } from "./window.mjs"

page("")
await script("focus.js")
await script("regions.js")
const { show } = await script("page.js")

const chips = names => names.map(name => `<button data-chip="${name}" id="${name}">${name}</button>`).join("")
const html = ({ names = ["ember", "lamp", "moor"], panel = "", hand = '<button id="share">Share…</button><button>Keep</button>' } = {}) =>
  `<header class="head"><a href="/">Home</a></header><main><section class="rows" id="work" tabindex="-1" data-roving="chips">${chips(names)}</section>${panel}</main><footer class="hand">${hand}</footer>`
const panel = (name = "share") => `<aside class="side" data-opens="${name}"><h1>Share</h1><input type="hidden"><button id="commit">Share 2</button><a href="/x" id="not-now">Not now</a></aside>`
const on = () => document.activeElement.id
const comes = more => show(whole(html(more)))

beforeEach(async () => {
  page(html())
  await comes()
})

test("what had the focus keeps it when the page comes", async () => {
  $("#lamp").focus()
  await comes({ names: ["first", "ember", "lamp"] })
  assert.equal(on(), "lamp")
})

test("what opens takes it, and gives it back to what opened it", async () => {
  $("#share").focus()
  await comes({ panel: panel() })
  assert.equal(on(), "commit")
  await comes()
  assert.equal(on(), "share")
})

test("a panel that a page came with has not opened", async () => {
  await comes({ panel: panel() })
  $("#lamp").focus()
  await comes({ panel: panel() })
  assert.equal(on(), "lamp")
})

test("one panel after another takes it, and the first opener has it in the end", async () => {
  $("#share").focus()
  await comes({ panel: panel() })
  await comes({ panel: panel("remove") })
  assert.equal(on(), "commit")
  await comes()
  assert.equal(on(), "share")
})

test("what is gone leaves it to its neighbour in the set", async () => {
  $("#lamp").focus()
  await comes({ names: ["ember", "moor"] })
  assert.equal(on(), "moor")
  await comes({ names: ["ember"] })
  assert.equal(on(), "ember")
})

test("where the opener is gone, it comes to the work", async () => {
  $("#share").focus()
  await comes({ panel: panel() })
  await comes({ hand: "<p>Finds</p>" })
  assert.notEqual(document.activeElement, document.body)
})

test("F6 goes round the parts of the window, and out at the ends", () => {
  $("#work").querySelector("#ember").focus()
  press("F6")
  assert.equal(on(), "share")
  assert.equal(press("F6"), true) // left to the browser
  press("F6", undefined, { shiftKey: true })
  assert.equal(on(), "ember")
  press("F6", undefined, { shiftKey: true })
  assert.equal(document.activeElement.textContent, "Home")
  assert.equal(press("F6", undefined, { shiftKey: true }), true)
})
