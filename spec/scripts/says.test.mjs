import assert from "node:assert/strict"
import { beforeEach, mock, test } from "node:test"
import { $, page, script, soon, whole } from "./window.mjs"

document.title = "Palettes · Night open house"
page("")
const { say, sayLater, warn } = await script("announce.js")
await script("says.js")
const { show } = await script("page.js")
const { tell, tellAll } = await script("trouble.js")

const html = ({ undo = "", change = 1, panel = "", hand = "Nothing in hand" } = {}) => `<button id="undo" title="${undo && `Undo: ${undo}`}" data-change="${change}">Undo</button>${panel}<footer id="hand"><p class="drop-shape" aria-label="${hand}"></p></footer>`
const heard = () => [$("#says").textContent, $("#warns").textContent]
const later = () => new Promise(go => setTimeout(go, 25))
const comes = async more => { await show(whole(html(more), { title: "Palettes · Night open house" })); await later() }

beforeEach(async () => {
  page(html())
  if (!$("#says")) document.body.insertAdjacentHTML("beforeend", '<p id="says"></p><p id="warns"></p>')
  await comes()
  for (const id of ["#says", "#warns"]) $(id).textContent = ""
})

test("the same words once more are news, too", () => {
  say("Lamp")
  assert.equal($("#says").textContent, "Lamp")
  say("Lamp")
  assert.equal($("#says").textContent, "Lamp\u00a0")
  warn("")
  assert.equal($("#warns").textContent, "")
})

test("who walks fast hears where they came to, once", async () => {
  mock.timers.enable({ apis: ["setTimeout"] })
  sayLater("first")
  mock.timers.tick(300)
  sayLater(() => "where they are")
  mock.timers.tick(349)
  assert.equal($("#says").textContent, "")
  mock.timers.tick(1)
  await soon()
  assert.equal($("#says").textContent, "where they are")
  mock.timers.reset()
})

test("what is new on the page is one sentence, and what stays is not said again", async () => {
  await comes({ undo: "Kept Lamp in Dusk sky", change: 2, hand: "Lamp #FFCE5C in hand" })
  assert.equal($("#says").textContent, "Kept Lamp in Dusk sky. Lamp #FFCE5C in hand")
  $("#says").textContent = ""
  await comes({ undo: "Kept Lamp in Dusk sky", change: 2, hand: "Lamp #FFCE5C in hand" })
  assert.equal($("#says").textContent, "")
})

test("what was undone leaves an older change on top, which is not said", async () => {
  await comes({ undo: "Kept Lamp", change: 5 })
  $("#says").textContent = ""
  await comes({ undo: "Kept Moor", change: 4 })
  assert.equal($("#says").textContent, "")
})

test("what opened is said by its heading", async () => {
  await comes({ panel: '<aside data-opens="share"><h1>Share\n   Lamp</h1></aside>' })
  assert.equal($("#says").textContent, "Share Lamp")
})

test("a notice is said, an error at once and apart", async () => {
  tell("Linked 2 places")
  await later()
  assert.deepEqual(heard(), ["Linked 2 places", ""])
  tell("Moor is locked", "wrong")
  await later()
  assert.deepEqual(heard(), ["Linked 2 places", "Moor is locked"])
})

test("of several notices what went wrong is told, each once; otherwise the last", () => {
  tellAll([["Kept", "done"], ["red is 300", "wrong"], ["red is 300", "wrong"], ["Moor is locked", "wrong"]])
  assert.deepEqual([document.querySelectorAll(".notice").length, $(".notice-wrong p").textContent], [1, "red is 300. Moor is locked"])
  tellAll([["Kept Lamp", "done"], ["Kept Moor", "done"]])
  assert.equal($(".notice-done p").textContent, "Kept Moor")
  tellAll([])
  assert.ok($(".notice-done"))
})

test("a notice has ways, or is closed", () => {
  let tried = 0
  tell("It waits", "waiting", [["Try now", () => tried++]])
  $(".notice button").click()
  assert.deepEqual([tried, document.querySelectorAll(".notice button").length], [1, 1])
  tell("Kept")
  assert.equal($(".notice button").textContent, "Close")
})
