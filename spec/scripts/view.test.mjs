import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, near, page, script } from "./window.mjs"

page("")
const view = await script("view.js")

// A picture of 1600 × 800 in a room of 800 × 600, laid out as the browser would.
const ROOM = { left: 100, top: 50, width: 800, height: 600 }
let address = 0
function picture(id, width, height) {
  const element = $(id), fit = Math.min(ROOM.width / width, ROOM.height / height)
  element.getBoundingClientRect = () => {
    const across = parseFloat(element.style.width) || width * fit, down = parseFloat(element.style.height) || height * fit
    const [x, y] = element.style.translate ? element.style.translate.split(" ").map(parseFloat) : [(ROOM.width - across) / 2, (ROOM.height - down) / 2]
    return { left: ROOM.left + x, top: ROOM.top + y, x: ROOM.left + x, y: ROOM.top + y, width: across, height: down }
  }
}
beforeEach(() => {
  page(`<div class="picture-room" id="room"><div class="picture" id="picture" data-path="/p${address++}" data-width="1600" data-height="800"><i class="pixel-grid"></i></div></div><b id="zoom-now"></b>`)
  Object.defineProperties($("#room"), { clientWidth: { value: ROOM.width }, clientHeight: { value: ROOM.height } })
  $("#room").getBoundingClientRect = () => ({ ...ROOM, right: ROOM.left + ROOM.width, bottom: ROOM.top + ROOM.height })
  picture("#picture", 1600, 800)
  view.apply()
})
const scale = () => view.scaleOf($("#picture"))
const shows = () => $("#zoom-now").textContent

test("all of a picture is seen at first, and a pixel and its point are each other's way back", () => {
  assert.deepEqual([scale(), shows(), $("#picture").classList.contains("picture-zoomed")], [0.5, "50 %", false])
  for (const [x, y] of [[0, 0], [1599, 799], [431, 402]]) {
    const { clientX, clientY } = view.pointOf($("#picture"), x, y)
    assert.deepEqual(view.pixelAt($("#picture"), clientX, clientY), { x, y })
  }
  assert.deepEqual(view.pixelAt($("#picture"), -50, 9000), { x: 0, y: 799 }) // what lies beside it is its edge
})

test("zooming keeps what lies under the pointer where it is", () => {
  const point = { clientX: 620, clientY: 330 }, before = view.pixelAt($("#picture"), point.clientX, point.clientY)
  for (const factor of [3, 2, 4]) {
    view.zoom(factor, $("#picture"), point.clientX, point.clientY)
    const now = view.pointOf($("#picture"), before.x, before.y)
    assert.ok(Math.abs(now.clientX - point.clientX) <= scale() && Math.abs(now.clientY - point.clientY) <= scale(), `${factor}`)
  }
  assert.ok(near([scale()], [12], 1e-9))
  assert.deepEqual([$(".pixel-grid").hidden, $("#picture").classList.contains("picture-sharp")], [false, true])
})

test("it goes no closer than 64 times, and no farther than all of it", () => {
  for (let times = 0; times < 20; times++) view.closer()
  assert.deepEqual([scale(), shows()], [64, "6400 %"])
  for (let times = 0; times < 20; times++) view.farther()
  assert.deepEqual([scale(), $("#picture").style.width], [0.5, ""])
  assert.equal($(".pixel-grid").hidden, true)
})

test("panning moves it by as much, and never beyond its edge", () => {
  view.zoom(4)
  const box = () => $("#picture").getBoundingClientRect(), before = box()
  view.pan(-100, -40)
  assert.ok(near([box().left - before.left, box().top - before.top], [-100, -40], 1e-6))
  view.pan(9000, 9000)
  assert.ok(near([box().left, box().top], [ROOM.left, ROOM.top], 1e-6))
  view.pan(-9000, -9000)
  assert.ok(near([box().left + box().width, box().top + box().height], [ROOM.left + ROOM.width, ROOM.top + ROOM.height], 1e-6))
  view.pan(10, 0)
  assert.ok(near([box().left + box().width], [ROOM.left + ROOM.width + 10], 1e-6)) // at once, with nothing to be panned back
})

test("all of it does not move", () => {
  view.pan(50, 50)
  assert.equal($("#picture").style.translate, "")
})

test("a box that is gone to lies in the middle, and is a quarter of the room", () => {
  const at = view.pointOf($("#picture"), 900, 300)
  view.goTo({ left: at.clientX - 4, top: at.clientY - 2, width: 8, height: 4 })
  const now = view.pointOf($("#picture"), 900, 300)
  assert.ok(near([now.clientX, now.clientY], [500, 350], scale()))
  assert.ok(near([scale()], [0.5 * 25], 1e-6))
})

test("a pixel beyond the room is brought into view, and one in it moves nothing", () => {
  view.zoom(8)
  const before = $("#picture").style.translate
  view.follow($("#picture"), 800, 400)
  assert.equal($("#picture").style.translate, before)
  view.follow($("#picture"), 1300, 400)
  const { clientX } = view.pointOf($("#picture"), 1300, 400)
  assert.ok(near([clientX], [ROOM.left + ROOM.width - 40], 1e-6))
})

test("the wheel zooms at the pointer, with Shift it goes along", () => {
  const roll = (deltaY, more = {}) => $("#picture").dispatchEvent(Object.assign(new WheelEvent("wheel", { bubbles: true, cancelable: true, deltaY, clientX: 500, clientY: 350 }), more))
  roll(-500)
  assert.ok(near([scale()], [0.5 * Math.exp(0.8)], 1e-6))
  const before = $("#picture").getBoundingClientRect().left
  roll(30, { shiftKey: true })
  assert.ok(near([$("#picture").getBoundingClientRect().left], [before - 30], 1e-6))
})

test("a drawing says how many times its size, and is looked at again as it was", () => {
  view.zoom(4)
  const kept = $("#picture").style.cssText
  $("#picture").style.cssText = ""
  view.apply() // as when the page came anew
  assert.equal($("#picture").style.cssText, kept)
  page('<div class="stage-room" id="room"><div id="stage" class="stage-drawing" data-drawn="7" data-width="300" data-height="400"></div></div><b id="zoom-now"></b>')
  Object.defineProperties($("#room"), { clientWidth: { value: ROOM.width }, clientHeight: { value: ROOM.height } })
  $("#room").getBoundingClientRect = () => ({ ...ROOM })
  picture("#stage", 300, 400)
  view.apply()
  assert.equal(shows(), "1 ×")
  view.closer()
  assert.equal(shows(), "1.5 ×")
  view.showAll()
  assert.equal(shows(), "1 ×")
})
