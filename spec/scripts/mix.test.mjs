import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { closed, opened, said } from "./mix_sheet.mjs"
import { $, press, script, Server, soon } from "./window.mjs"

const { notation } = await script("mix.js")
const { nudge } = await script("mix_slice.js")

let server, answer
beforeEach(() => { server = new Server() })

// The sheet has asked, and is not answered yet.
async function asking(...given) {
  const asks = new Promise(asks => server.will(() => new Promise(come => { answer = come; asks() })))
  opened(...given)
  await asks
}

test("what is pressed in the slice before its first answer is done when that has come", async () => {
  await asking(1, "#777777")
  press("ArrowUp", $("#slice"), { shiftKey: true })
  press("ArrowRight", $("#slice"))
  assert.equal(notation().value, "#777777")
  answer(said("#777777", 0.5, 0.5))
  await soon()
  assert.equal(notation().value, "lab(50 2.0 20.0)")
})

test("an opacity that is set before the first answer stays set", async () => {
  await asking(2, "#777777")
  const input = $("[data-opacity]")
  input.value = 40
  input.dispatchEvent(new Event("input", { bubbles: true }))
  answer(said("#777777", 0.6, 0.5))
  await soon()
  assert.equal(notation().value, "oklch(0.6 0.1 30 / 40%)")
  assert.equal(input.value, "40")
})

test("a sheet knows nothing of where the one before it stood, nor does what was pressed there", async () => {
  await asking(3, "#777777")
  press("ArrowUp", $("#slice"))
  closed()
  answer(said("#777777", 0.5, 0.5))
  await soon()
  await asking(4, "#111111")
  answer(said("#111111", 0.1, 0.1))
  await soon()
  assert.equal(notation().value, "#111111")
  await asking(5, "#EEEEEE")
  press("ArrowUp", $("#slice"))
  assert.equal(notation().value, "#EEEEEE")
  answer(said("#EEEEEE", 0.9, 0.9))
  await soon()
  assert.equal(notation().value, "lab(50 80.0 82.0)")
})

test("a drawing that is painted while a colour is tried shows it", async () => {
  await asking(6, "#777777")
  const host = document.createElement("div"), root = host.attachShadow({ mode: "open" })
  host.dataset.drawing = ""
  root.innerHTML = `<svg><path style="fill: var(--swatch-6, #777777)"/></svg>`
  $("#app").append(host)
  const shown = () => root.querySelector("path").style.getPropertyValue("--swatch-6")
  answer(said("#3366CC", 0.5, 0.5))
  await soon()
  host.dispatchEvent(new CustomEvent("drawing:painted", { bubbles: true }))
  assert.equal(shown(), "#3366CC")
})

test("a colour that is given after what was pressed is that colour", async () => {
  await asking(7, "#777777")
  press("ArrowUp", $("#slice"))
  notation().value = "#3366CC"
  notation().dispatchEvent(new Event("input", { bubbles: true }))
  const first = answer
  server.will(said("#3366CC", 0.2, 0.2))
  first(said("#777777", 0.5, 0.5))
  await new Promise(resolve => setTimeout(resolve, 60))
  assert.equal(notation().value, "#3366CC")
  assert.equal($("#mix-hex").textContent, "#3366CC")
})

test("a nudge before the first answer is taken after what was pressed before it", async () => {
  await asking(8, "#777777")
  press("ArrowUp", $("#slice"))
  const nudged = []
  nudge("lighter")
  server.will(asked => { nudged.push(new URL(asked.address, location).searchParams.get("notation")); return { text: JSON.stringify({ notation: "#888888" }) } })
  answer(said("#777777", 0.5, 0.5))
  await soon()
  assert.deepEqual(nudged, ["lab(50 0.0 2.0)"])
})

test("a drawing that is painted while the next colour is asked for does not show the one before", async () => {
  await asking(9, "#777777")
  const host = document.createElement("div"), root = host.attachShadow({ mode: "open" })
  host.dataset.drawing = ""
  root.innerHTML = `<svg><path style="fill: var(--swatch-9, #777777)"/></svg>`
  $("#app").append(host)
  const shown = () => root.querySelector("path").style.getPropertyValue("--swatch-9")
  host.dispatchEvent(new CustomEvent("drawing:painted", { bubbles: true }))
  answer(said("#3366CC", 0.5, 0.5))
  await soon()
  press("ArrowUp", $("#slice"))
  assert.equal(shown(), "lab(50 0.0 2.0)")
  host.dispatchEvent(new CustomEvent("drawing:painted", { bubbles: true }))
  assert.equal(shown(), "lab(50 0.0 2.0)")
})
