import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, page, press, script, Server, soon } from "./window.mjs"

const { notation } = await script("mix.js")
await script("mix_slice.js")

// The sheet of a swatch, as it came.
function sheet(swatch, hex) {
  page(`<aside id="mix" data-variable="--swatch-${swatch}" data-was="${hex}"><form class="mix-form"><input id="mix-notation" value="${hex}"><p id="mix-problem"></p>
    <button id="bring-in" type="button" hidden></button><button id="mix-apply" disabled></button></form><b id="mix-hex"></b><i id="mix-name"></i><i id="mix-now"></i>
    <input type="number" data-opacity value="100">
    <div id="slice" tabindex="0" data-plane="a_b" data-ranges='{"across":[-100,100],"up":[-100,100]}'><img id="slice-image"><i id="slice-mark" hidden></i></div></aside>`)
  document.dispatchEvent(new CustomEvent("page:shown"))
}

// What the server says of a colour that lies there in the slice.
const said = (hex, across, up) => ({ text: JSON.stringify({ hex, ink: "on-light", inside: true, read: "Lab", name: "Grey", alpha: 1, followers: {}, channels: { oklch: [across, 0.1, 30] }, slice: { across, up, held: 50 } }) })

let server, answer
beforeEach(() => { server = new Server() })

// The sheet has asked, and is not answered yet.
async function opened(...given) {
  const asks = new Promise(asks => server.will(() => new Promise(come => { answer = come; asks() })))
  sheet(...given)
  await asks
}

test("what is pressed in the slice before its first answer is done when that has come", async () => {
  await opened(1, "#777777")
  press("ArrowUp", $("#slice"), { shiftKey: true })
  press("ArrowRight", $("#slice"))
  assert.equal(notation().value, "#777777")
  answer(said("#777777", 0.5, 0.5))
  await soon()
  assert.equal(notation().value, "lab(50 2.0 20.0)")
})

test("an opacity that is set before the first answer stays set", async () => {
  await opened(2, "#777777")
  const input = $("[data-opacity]")
  input.value = 40
  input.dispatchEvent(new Event("input", { bubbles: true }))
  answer(said("#777777", 0.6, 0.5))
  await soon()
  assert.equal(notation().value, "oklch(0.6 0.1 30 / 40%)")
  assert.equal(input.value, "40")
})

test("a sheet knows nothing of where the one before it stood, nor does what was pressed there", async () => {
  await opened(3, "#777777")
  press("ArrowUp", $("#slice"))
  page("")
  document.dispatchEvent(new CustomEvent("page:shown"))
  answer(said("#777777", 0.5, 0.5))
  await soon()
  await opened(4, "#111111")
  answer(said("#111111", 0.1, 0.1))
  await soon()
  assert.equal(notation().value, "#111111")
  await opened(5, "#EEEEEE")
  press("ArrowUp", $("#slice"))
  assert.equal(notation().value, "#EEEEEE")
  answer(said("#EEEEEE", 0.9, 0.9))
  await soon()
  assert.equal(notation().value, "lab(50 80.0 82.0)")
})

test("a drawing that is painted while a colour is tried shows it", async () => {
  await opened(6, "#777777")
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
