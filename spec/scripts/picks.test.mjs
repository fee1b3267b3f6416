import assert from "node:assert/strict"
import { test } from "node:test"
import { $, page, script } from "./window.mjs"

// The panel of part 3, as it came.
const came = () => page(`<div id="stage" data-drawn="7"></div><div id="tools" data-picked="7:3"></div>
  <form id="picked"><input type="hidden" name="parts" value="3"></form>`)

came()
const { pick, picked } = await script("picks.js")

test("what is pressed goes to what is outlined, before the panel has come anew, and where it came late", () => {
  pick([5, 6, 7])
  assert.equal($("#picked input").value, "5-7")
  pick([6], "toggle")
  assert.deepEqual([[...picked()], $("#picked input").value], [[5, 7], "5,7"])
  came() // an answer to something before
  document.dispatchEvent(new CustomEvent("page:shown"))
  assert.equal($("#picked input").value, "5,7")
  pick([])
  assert.equal($("#picked input").value, "")
})
