import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, page, pointer, script, soon } from "./window.mjs"

page("")
const { onceAFrame, spread } = await script("frames.js")
const { preview, previewText, takeBack } = await script("previews.js")
const { awaiting, pressing, released } = await script("waiting.js")
const { WRITE, SHOWN, PLANES } = await script("mix_notations.js")
const { Progress } = await script("progress.js")

let frames
const frame = () => { for (const run of frames.splice(0)) run() }
beforeEach(() => {
  frames = []
  globalThis.requestAnimationFrame = run => frames.push(run)
  page('<p id="p" fill="red" data-x="1">Ember</p>')
})

test("what follows a pointer is drawn once a frame, with the latest", () => {
  const drawn = [], draw = onceAFrame(at => drawn.push(at))
  draw(1)
  draw(2)
  draw(3)
  assert.deepEqual([drawn, frames.length], [[], 1])
  frame()
  draw(4)
  draw.now()
  frame()
  assert.deepEqual(drawn, [3, 4])
})

test("steps come at once, and one a frame while something is dragged; older ones give way", async () => {
  const done = [], steps = name => [1, 2, 3].map(step => () => done.push(`${name}${step}`))
  spread(steps("a"))
  assert.deepEqual(done.splice(0), ["a1", "a2", "a3"])
  pointer("down", $("#p"), 1, 1)
  assert.equal(pressing(), true)
  spread(steps("b"))
  frame()
  spread(steps("c"))
  frame()
  frame()
  frame()
  frame()
  assert.deepEqual(done, ["b1", "c1", "c2", "c3"])
  pointer("up", $("#p"), 1, 1)
})

test("who waits for a finger goes on once what its release does is done", async () => {
  await new Promise(go => setTimeout(go, 1)) // what was let go before
  await released()
  pointer("down", $("#p"), 1, 1)
  let gone = false
  released().then(() => { gone = true })
  await soon()
  assert.equal(gone, false)
  pointer("up", $("#p"), 1, 1)
  await new Promise(go => setTimeout(go, 1))
  assert.equal(gone, true)
})

test("what is let go outside the window is let go", () => {
  pointer("down", $("#p"), 1, 1)
  $("#p").dispatchEvent(Object.assign(new PointerEvent("pointermove", { bubbles: true }), { buttons: 0 }))
  assert.equal(pressing(), false)
})

test("the root says that something is awaited until nothing is", () => {
  const says = () => document.documentElement.hasAttribute("data-waiting")
  awaiting(+1)
  awaiting(+1)
  awaiting(-1)
  assert.equal(says(), true)
  awaiting(-1)
  assert.equal(says(), false)
})

test("what was shown before the answer is taken back, the newest first", () => {
  preview($("#p"), "fill", "blue")
  preview($("#p"), "fill", "green")
  preview($("#p"), "data-x", null)
  preview($("#p"), "data-y", "2")
  previewText($("#p"), "Lamp")
  assert.deepEqual([$("#p").getAttribute("fill"), $("#p").textContent, $("#p").hasAttribute("data-x")], ["green", "Lamp", false])
  takeBack()
  assert.equal($("#p").outerHTML, '<p id="p" fill="red" data-x="1">Ember</p>')
})

test("what stands when the page is brought up to date is not taken back", () => {
  preview($("#p"), "fill", "blue")
  document.dispatchEvent(new CustomEvent("page:shown"))
  takeBack()
  assert.equal($("#p").getAttribute("fill"), "blue")
})

test("each model is written as the server reads it, with its opacity", () => {
  assert.deepEqual(["rgb", "hsb", "hsl", "lab", "oklch", "cmyk"].map(model => WRITE[model]([1, 2, 3, 4], "")), ["rgb(1 2 3)", "hsb(1 2% 3%)", "hsl(1 2% 3%)", "lab(1 2 3)", "oklch(1 2 3)", "device-cmyk(1% 2% 3% 4%)"])
  assert.equal(WRITE.rgb([1, 2, 3], " / 50%"), "rgb(1 2 3 / 50%)")
  assert.equal(SHOWN.cmyk, null)
  assert.equal(SHOWN.hsb([200, 60, 80], ""), "hwb(200 calc(80% * (100 - 60) / 100) calc(100% - 80%))")
  assert.equal(PLANES.chroma_lightness(0.123456, 0.5, 30), "oklch(0.5000 0.1235 30)")
  assert.equal(PLANES.hue_chroma(120, 0.1, 0.7), "oklch(0.7 0.1000 120.0)")
})

test("progress says what is done, how far, and can be called off", () => {
  const progress = new Progress()
  let off = 0
  progress.onCancel = () => off++
  progress.say("Reading moor.png")
  progress.show(0.4)
  assert.deepEqual([$(".progress p").textContent, $(".progress i").style.getPropertyValue("--done")], ["Reading moor.png", "0.4"])
  $(".progress button").click()
  assert.deepEqual([off, progress.cancelled], [1, true])
  progress.end()
  assert.ok(!$(".progress"))
})
