import assert from "node:assert/strict"
import { mock, test } from "node:test"
import { closed, opened, said } from "./mix_sheet.mjs"
import { $, script, Server, soon } from "./window.mjs"

await script("mix_panels.js")
mock.timers.enable({ apis: ["setTimeout"] })

const shown = swatch => opened(swatch, "#777777", "<div id=mix-panel data-asks></div>")
const colour = said("#777777")
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
  closed()
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
  closed()
  shown(7)
  await soon()
  mock.timers.tick(100) // between two questions about a colour
  await soon()
  late({ text: "<div data-fragment>Of 6</div>" })
  await soon()
  assert.equal($("#mix-panel").textContent, "Of 7")
  assert.deepEqual(panels(server), ["6", "7"])
})
