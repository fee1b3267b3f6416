import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, letGo, page, press, script, Server, soon } from "./window.mjs"

page("")
const { shortcut } = await script("shortcuts.js")
await script("menus.js")
await script("keys.js")

const KEYS = { p: ["palettes"], d: ["dress"], "+": ["bigger"], ",": ["darker"], v: ["look"], L: ["loud"], b: ["busy", "spare"], m: ["mix"] }
let ran = []
shortcut("bigger", () => { ran.push("bigger") })
shortcut("darker", () => { ran.push("darker") }, { slice: true })
shortcut("look", () => { ran.push("look") }, { end: () => ran.push("no longer") })
shortcut("loud", () => { ran.push("loud") })
shortcut("busy", () => false)
shortcut("spare", () => { ran.push("spare") })
shortcut("dress", () => { ran.push("dress") })

beforeEach(() => {
  ran = []
  page(`<i id="keys" data-keys='${JSON.stringify(KEYS)}'></i><main><a id="open-mix" href="#m">Mix</a><input id="name" value="Lamp"><textarea id="note"></textarea><input id="slider" type="range"><div id="slice" role="slider" tabindex="0"></div>
    <input id="tick" type="checkbox"><button id="chip">Ember</button></main><div class="menu"><button id="in-menu">x</button></div>`)
  document.activeElement?.blur?.()
})
const on = (key, selector = "#chip", more = {}) => { ran = []; press(key, $(selector), { code: "", ...more }); return ran }

test("a key does what the list says, and the browser nothing", () => {
  assert.deepEqual(on("+"), ["bigger"])
  assert.equal(press(",", $("#chip"), { code: "Comma" }), false)
  assert.deepEqual(on("="), ["bigger"]) // beside it on many keyboards
  assert.deepEqual(on("x"), [])
})

test("none does anything while one types, on a slider or in a menu", () => {
  for (const selector of ["#name", "#note", "#slider", "#in-menu", "#slice"]) assert.deepEqual(on("d", selector), [], selector)
  assert.deepEqual(on("d", "#tick"), ["dress"])
})

test("the slice of Mix takes those that are meant for it", () => assert.deepEqual(on(",", "#slice"), ["darker"]))

test("none does anything with another key held, in a window, or while letters are composed", () => {
  for (const more of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }, { isComposing: true }]) assert.deepEqual(on("d", "#chip", more), [])
  $("main").insertAdjacentHTML("beforeend", "<dialog open><p>List</p></dialog>")
  assert.deepEqual(on("d"), [])
})

test("what is of no use here leaves the key to the next that has it", () => assert.deepEqual(on("b"), ["spare"]))

test("with Caps Lock a letter is still the letter", () => {
  const caps = key => {
    const event = new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true })
    event.getModifierState = name => name === "CapsLock"
    ran = []
    $("#chip").dispatchEvent(event)
    return ran
  }
  assert.deepEqual([caps("D"), caps("l")], [["dress"], ["loud"]])
})

test("a key that is held ends when it is let go, and repeats nothing", () => {
  press("v", $("#chip"), { code: "KeyV" })
  press("v", $("#chip"), { code: "KeyV", repeat: true })
  letGo("KeyV", $("#chip"))
  letGo("KeyV", $("#chip"))
  assert.deepEqual(ran, ["look", "no longer"])
})

test("keys that were given away are known from then on", () => {
  $("#keys").dataset.keys = '{"y":["dress"]}'
  assert.deepEqual([on("y"), on("d")], [["dress"], []])
})

test("a key of the list that is refused says why, and is as it was", async () => {
  page(`<form data-keys-form action="/keys"><input class="key-field" name="key" value="d"></form><p id="keys-problem"></p>`)
  new Server().will({ status: 422, text: "Y is the key for “Go to Dress”" })
  $(".key-field").value = "y"
  $(".key-field").dispatchEvent(new Event("input", { bubbles: true }))
  await soon()
  assert.deepEqual([$("#keys-problem").textContent, $(".key-field").value], ["Y is the key for “Go to Dress”", "d"])
})

test("Esc closes the menu that is open and nothing else, and the focus is at what opened it", () => {
  $("main").insertAdjacentHTML("beforeend", '<details class="group-menu" open><summary id="opener">…</summary><button id="item">x</button></details><p class="notice">Kept</p>')
  $("#item").focus()
  press("Escape")
  assert.deepEqual([$(".group-menu").open, document.activeElement.id, Boolean($(".notice"))], [false, "opener", true])
  press("Escape")
  assert.equal($(".notice"), null)
})

test("a click elsewhere closes a menu, one in it does not", () => {
  $("main").insertAdjacentHTML("beforeend", '<details class="hand-menu" open><summary>…</summary><button id="item">x</button></details>')
  $("#item").click()
  assert.equal($(".hand-menu").open, true)
  $("#chip").click()
  assert.equal($(".hand-menu").open, false)
})

test("Esc leaves a field before it takes a notice away; one that waits stays", () => {
  $("main").insertAdjacentHTML("beforeend", '<p class="notice notice-waiting">It waits</p>')
  $("#name").focus()
  press("Escape")
  assert.notEqual(document.activeElement.id, "name")
  press("Escape", $("#chip"))
  assert.ok($(".notice-waiting"))
})

test("undo is by key, but not in a field with something typed, and not where nothing is to undo", () => {
  let undone = 0
  $("main").insertAdjacentHTML("beforeend", '<form id="turn"><button id="undo">Undo</button></form>')
  $("#turn").addEventListener("submit", event => { event.preventDefault(); undone++ })
  press("z", $("#chip"), { ctrlKey: true })
  press("z", $("#name"), { ctrlKey: true })
  assert.equal(undone, 2)
  $("#name").value = "Lamp post"
  press("z", $("#name"), { ctrlKey: true })
  $("#undo").disabled = true
  press("z", $("#chip"), { metaKey: true })
  assert.equal(undone, 2)
})
