import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, page, press, script, Server, soon, whole } from "./window.mjs"

page("")
const { select, selection } = await script("chips.js")
const { show } = await script("page.js")

const GROUPS = { 1: ["Dusk", ["a", "b", "c"]], 2: ["Night", ["d", "e"]] }
const chip = (id, group) => `<button data-chip="${id}" data-of="${group}" aria-selected="false" class="${id === "c" ? "chip-locked" : ""} ${id === "d" ? "ringed" : ""}">${id}</button>`
const html = (chosen = "", key = "k1") => `<section data-selection-key="${key}" data-selection="${chosen}">${Object.entries(GROUPS).map(([id, [name, chips]]) => `<p data-group="${id}" data-group-name="${name}">${chips.map(each => chip(each, id)).join("")}</p>`).join("")}</section>
  <footer class="hand"><div class="hand-selection" hidden><form id="selection"><input name="ids"><b id="selected-words"></b><button data-one="Remove" data-many="Remove {n}" id="remove-chosen" name="do" value="remove">x</button><button data-one="Blend" data-many="Blend {n}" data-least="2" id="blend">x</button>
  <button value="lock">Lock</button><button value="unlock">Unlock</button><button value="loosen">Loosen</button></form></div></footer><form id="chip-nudge"><input name="ids"><input name="way"></form><i data-move="/projects/1/move"></i>`
let removed

beforeEach(async () => {
  page(html())
  removed = 0
  await show(whole(html("", `k${Math.random()}`)))
  select([])
  $("#selection").addEventListener("submit", event => event.preventDefault())
  $("#remove-chosen").addEventListener("click", event => { event.preventDefault(); removed++ })
})
const of = id => $(`[data-chip="${id}"]`)
const click = (id, more = {}) => of(id).dispatchEvent(new MouseEvent("click", { bubbles: true, cancelable: true, ...more }))
const marked = () => [...document.querySelectorAll("[data-chip][aria-selected=true]")].map(({ dataset }) => dataset.chip)
const words = () => $("#selected-words").textContent

test("a click selects one and is let through, which takes it in hand", () => {
  assert.equal(click("b"), true)
  assert.deepEqual([selection(), marked(), words(), $(".hand-selection").hidden], [["b"], ["b"], "1 swatch selected in Dusk", false])
  assert.deepEqual([$("#remove-chosen").textContent, $("#blend").textContent, $("#blend").disabled], ["Remove", "Blend", true])
})

test("with Ctrl one more or less, with Shift all from the last; nothing is taken in hand", () => {
  click("a")
  assert.equal(click("e", { ctrlKey: true }), false)
  assert.deepEqual([marked(), words()], [["a", "e"], "2 swatches selected in 2 groups"])
  click("a", { ctrlKey: true })
  assert.deepEqual(marked(), ["e"])
  click("c")
  assert.equal(click("e", { shiftKey: true }), false)
  assert.deepEqual([marked(), $("#blend").textContent, $("#blend").disabled], [["c", "d", "e"], "Blend 3", false])
  click("b", { shiftKey: true })
  assert.deepEqual(marked(), ["b", "c"])
})

test("what can be done fits what is selected: lock, unlock, loosen", () => {
  const offered = () => ["lock", "unlock", "loosen"].filter(value => !$(`[value=${value}]`).hidden)
  select(["a"])
  assert.deepEqual(offered(), ["lock"])
  select(["c"])
  assert.deepEqual(offered(), ["unlock"])
  select(["c", "d"])
  assert.deepEqual(offered(), ["lock", "unlock", "loosen"])
})

test("Space takes one more or less, Ctrl and A the group and then all, Esc lets go of several", () => {
  press(" ", of("a"))
  press(" ", of("b"))
  assert.deepEqual(marked(), ["a", "b"])
  press(" ", of("a"))
  assert.deepEqual(marked(), ["b"])
  press("a", of("b"), { ctrlKey: true })
  assert.deepEqual([marked(), words()], [["a", "b", "c"], "3 swatches selected in Dusk"])
  press("a", of("b"), { metaKey: true })
  assert.deepEqual(marked(), ["a", "b", "c", "d", "e"])
  press("Escape", of("b"))
  assert.deepEqual([selection(), $(".hand-selection").hidden], [[], true])
})

test("Delete asks to remove what is selected, or the chip itself where it is not", () => {
  select(["a", "b"])
  press("Delete", of("a"))
  assert.deepEqual([selection(), removed], [["a", "b"], 1])
  press("Delete", of("d"))
  assert.deepEqual([selection(), removed], [["d"], 2])
})

test("Alt and arrows move what is selected, or the chip itself", () => {
  const sent = []
  $("#chip-nudge").addEventListener("submit", event => { event.preventDefault(); sent.push(Object.fromEntries(new FormData($("#chip-nudge")))) })
  select(["a", "b"])
  press("ArrowRight", of("b"), { altKey: true })
  press("ArrowDown", of("e"), { altKey: true })
  assert.deepEqual(sent.map(({ ids, way }) => [ids, way]), [["a,b", "right"], ["e", "down"]])
})

test("a selection that a page comes with is taken once, and what is gone leaves it", async () => {
  await show(whole(html("a,d", "new")))
  assert.deepEqual(selection(), ["a", "d"])
  select(["b"])
  await show(whole(html("a,d", "new"))) // the same page once more
  assert.deepEqual(selection(), ["b"])
  await show(whole(html("a,d", "new").replace(/<button data-chip="b".*?<\/button>/, "")))
  assert.deepEqual([selection(), $(".hand-selection").hidden], [[], true])
})

test("all of a group, none, and all like one are asked for by button", async () => {
  const server = new Server().will({ text: '{"ids":[4,5]}' })
  $("#app").insertAdjacentHTML("beforeend", ["group", "none", "like"].map(what => `<button data-select="${what}" id="by-${what}">x</button>`).join(""))
  select(["a"])
  $("#by-group").click()
  assert.deepEqual(marked(), ["a", "b", "c"])
  $("#by-none").click()
  assert.deepEqual(selection(), [])
  select(["a"])
  $("#by-like").click()
  await soon()
  assert.equal(server.asked[0].address, "/projects/1/like.json?swatch=a")
})
