import assert from "node:assert/strict"
import { mock, test } from "node:test"
import { $, page, script, Server, soon } from "./window.mjs"

await script("mix_panels.js")
mock.timers.enable({ apis: ["setTimeout"] })

// The sheet of a swatch with its panel of tints, and what the server says of it.
const shown = (swatch, panel = "<div id=mix-panel data-asks></div>") => {
  page(`<aside id="mix" data-variable="--swatch-${swatch}" data-was="#777777" data-panels="/projects/1/mix/panels" data-panel="tints">
    <form class="mix-form"><input id="mix-notation" value="#777777"><p id="mix-problem"></p><button id="bring-in" type="button" hidden></button>
    <button id="mix-apply"></button></form><b id="mix-hex"></b><i id="mix-name"></i><i id="mix-now"></i><input type="number" data-opacity value="100">
    <div id="slice" data-plane="a_b"><img id="slice-image"><i id="slice-mark"></i></div>${panel}</aside>`)
  document.dispatchEvent(new CustomEvent("page:shown"))
}
const colour = { text: JSON.stringify({ hex: "#777777", ink: "on-light", inside: true, read: "hex", name: "Grey", alpha: 1, followers: {}, channels: { oklch: [0.5, 0, 0] }, slice: { across: 0, up: 0, held: 1 } }) }
const panels = server => server.asked.filter(({ address }) => address.includes("/panels/tints")).map(({ address }) => new URLSearchParams(address.split("?")[1]).get("swatch"))

test("a panel that is lost on the way, or not answered, is asked for again a moment later", async () => {
  const server = new Server().will(colour, { lost: true }, { status: 503 }, { text: "<div data-fragment>Tints</div>" })
  shown(4)
  await soon()
  assert.equal($("#mix-panel").textContent, "")
  for (let again = 0; again < 2; again++) {
    mock.timers.tick(1000)
    await soon()
  }
  assert.equal($("#mix-panel").textContent, "Tints")
  assert.deepEqual(panels(server), ["4", "4", "4"])
})

test("one that is refused is not asked for again", async () => {
  page("")
  document.dispatchEvent(new CustomEvent("page:shown"))
  const server = new Server().will(colour, { status: 422 })
  shown(5)
  await soon()
  mock.timers.tick(5000)
  await soon()
  assert.deepEqual(panels(server), ["5"])
})

test("a sheet that is opened while the panel of the one before is on its way has its own", async () => {
  let late
  const server = new Server().will(colour, () => new Promise(come => { late = come }), colour, { text: "<div data-fragment>Of 7</div>" })
  shown(6)
  await soon()
  page("")
  document.dispatchEvent(new CustomEvent("page:shown"))
  shown(7)
  await soon()
  mock.timers.tick(100) // between two questions about a colour
  await soon()
  late({ text: "<div data-fragment>Of 6</div>" })
  await soon()
  assert.equal($("#mix-panel").textContent, "Of 7")
  assert.deepEqual(panels(server), ["6", "7"])
})
