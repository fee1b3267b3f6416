import assert from "node:assert/strict"
import { test } from "node:test"
import { $, page, script } from "./window.mjs"

// The panel of part 3, as it came.
page(`<div id="stage" data-drawn="7" data-artwork="8"></div><a class="tool" data-tool="carry" href="/projects/1/dress?artwork=8&tool=carry&from=8.3"></a><div id="tools" data-picked="7:3"></div>
  <form id="picked"><input type="hidden" name="parts" value="3"><input name="set_width" value="9"></form><form id="other"></form>`)
const { pick, picked } = await script("picks.js")
await script("carry.js")

// What a form says where a button is pressed in it: as a browser, which tells it to whoever listens.
function said(act, form = $("#picked")) {
  const formData = new FormData($("#picked"))
  formData.set("act", act)
  form.dispatchEvent(Object.assign(new Event("formdata", { bubbles: true }), { formData }))
  return formData.get("parts")
}

test("what is given, cleared or worn goes to what is outlined, before the panel has come anew", () => {
  pick([5, 6, 7])
  pick([6], "toggle")
  assert.deepEqual([...picked()], [5, 7])
  assert.deepEqual(["give-fill", "clear-line", "wear-4", "take-off"].map(act => said(act)), ["5,7", "5,7", "5,7", "5,7"])
})

test("what was typed stays of the parts that it was typed of, and other forms say what they say", () => {
  assert.deepEqual(["settings", "opacity-fill", "outfit-keep", "unset"].map(act => said(act)), ["3", "3", "3", "3"])
  assert.equal(said("give-fill", $("#other")), "3")
})

test("the tool that carries takes the part that is outlined, one of several none, and keeps the one that it has", () => {
  const way = () => $("[data-tool=carry]").getAttribute("href")
  pick([5])
  assert.equal(way(), "/projects/1/dress?artwork=8&tool=carry&from=8.5")
  pick([6], "add")
  assert.equal(way(), "/projects/1/dress?artwork=8&tool=carry")
  history.replaceState({}, "", "/projects/1/dress?artwork=8&tool=carry&from=8.2")
  pick([9])
  assert.equal(way(), "/projects/1/dress?artwork=8&tool=carry")
})
