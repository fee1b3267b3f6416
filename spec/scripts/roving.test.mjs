import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, lies, page, press, script, soon } from "./window.mjs"

page("")
const { currentOf, lastIn, membersOf, settleAll } = await script("roving.js")

const stops = () => [...document.querySelectorAll("[tabindex='0']")].map(({ id }) => id)

// Two rows of three, a menu beside them, and a set of its own within.
beforeEach(async () => {
  page(`<div data-roving="chips" id="set"><details><summary id="menu">…</summary></details>
    ${["a", "b", "c", "d", "e", "f", "g"].map(id => `<button id="${id}">${id}</button>`).join("")}
    <span data-roving="inner"><button id="inner">x</button></span></div><p data-roving="fields" data-members="input"><input id="one" value="12"><input id="two" value="3"></p>`)
  lies($("#g"), [150, 60, 50, 30]) // the second row is longer
  for (const [index, id] of ["a", "b", "c", "d", "e", "f"].entries()) lies($(`#${id}`), [index % 3 * 50, 20 + Math.floor(index / 3) * 40, 50, 30])
  lies($("#one"), [0, 200, 40, 20])
  lies($("#two"), [50, 200, 40, 20])
  settleAll()
})

test("one of what belongs together is a stop: what is chosen, or the first that is no menu", () => {
  assert.deepEqual(stops(), ["a", "inner", "one"])
  $("#c").setAttribute("aria-pressed", "true")
  settleAll()
  assert.deepEqual(stops(), ["c", "inner", "one"])
  assert.deepEqual(membersOf($("#set")).map(({ id }) => id), ["a", "b", "c", "d", "e", "f", "g"])
})

test("arrow keys go to the nearest that way, Home and End to the ends", () => {
  $("#b").focus()
  const way = keys => keys.map(key => { press(key); return document.activeElement.id })
  assert.deepEqual(way(["ArrowDown", "ArrowLeft", "ArrowUp", "ArrowLeft", "ArrowRight", "End", "ArrowRight", "Home"]), ["e", "d", "a", "a", "b", "g", "g", "a"])
  $("#c").focus()
  assert.deepEqual(way(["ArrowRight", "ArrowDown", "ArrowRight"]), ["c", "f", "g"])
})

test("the stop goes with the focus, and is there again when the page came anew", () => {
  $("#b").focus()
  press("ArrowDown")
  assert.deepEqual(stops(), ["e", "inner", "one"])
  const html = $("#set").outerHTML.replace(/ tabindex="-?\d"/g, "")
  $("#set").outerHTML = html
  settleAll()
  assert.equal(currentOf($("#set")).id, "e")
  $("#e").remove() // what stands in its place
  assert.equal(lastIn($("#set")).id, "f")
})

test("keys that mean something else are left alone", () => {
  $("#b").focus()
  for (const more of [{ altKey: true }, { ctrlKey: true }]) assert.equal(press("ArrowRight", $("#b"), more), true)
  assert.equal(press("x"), true)
  assert.equal(document.activeElement.id, "b")
})

test("a field is left by the arrow keys that it has no use for", () => {
  $("#one").focus()
  $("#one").setSelectionRange(1, 1)
  assert.equal(press("ArrowRight"), true) // within its text
  assert.equal(document.activeElement.id, "one")
  $("#one").setSelectionRange(2, 2)
  assert.equal(press("ArrowRight"), false)
  assert.equal(document.activeElement.id, "two")
  assert.deepEqual([$("#two").selectionStart, $("#two").selectionEnd], [0, 1]) // ready to be typed over
  press("ArrowLeft")
  assert.equal(document.activeElement.id, "one")
})

test("what comes after the page has its stop, too", async () => {
  $("#app").insertAdjacentHTML("beforeend", '<div data-roving="late"><button id="late">1</button><button>2</button></div>')
  await soon()
  assert.deepEqual(stops().at(-1), "late")
})

test("what comes anew in the same place, without what was noted there, is one stop again", async () => {
  $("#a").focus()
  for (const id of ["a", "b", "c"]) $(`#${id}`).removeAttribute("tabindex") // as what is brought up to date comes from the server
  await soon()
  assert.deepEqual(stops(), ["a", "inner", "one"])
  assert.deepEqual(["b", "c", "d"].map(id => $(`#${id}`).getAttribute("tabindex")), ["-1", "-1", "-1"])
})
