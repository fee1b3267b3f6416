import assert from "node:assert/strict"
import { test } from "node:test"
import { near, page, script } from "./window.mjs"

page("")
const { becoming, byKey, dragged } = await script("pattern_drag.js")
const { handles, standing } = await script("pattern_handles.js")
const { moved } = await script("lying.js")

const LOCAL = new DOMMatrix().translate(-8, 30).rotate(-12).scale(1.6)
const made = more => ({ tile: [12, 8], lies: [1.5, 0.5, -0.5, 1.5, 7, 3], frame: [0, 0, 300, 200], once: false, part: 2, ...more })
const state = more => standing({ made: made(more), local: LOCAL, room: [-5000, -5000, 5000, 5000] })
const at = (of, kind) => {
  const hit = handles(of).find(each => each.dataset.handle === kind).firstElementChild
  return ["x", "y"].map(name => Number(hit.getAttribute(name)) + 13)
}
const drag = (of, kind, to, constrained) => becoming(of, dragged({ kind, numbers: [], state: of, at: at(of, kind) }, to, constrained))
const turned = ({ unit: { a, b } }) => Math.atan2(b, a) * 180 / Math.PI
const size = ({ unit: { a, b } }) => Math.hypot(a, b)
const heart = of => at(of, "shift")

test("the drop in the middle follows the pointer, and nothing is turned or scaled", () => {
  const of = state(), [x, y] = heart(of), now = drag(of, "shift", [x + 31, y - 17])
  assert.ok(near(heart(now), [x + 31, y - 17], 1e-6))
  assert.ok(near([turned(now), size(now)], [turned(of), size(of)], 1e-9))
})

test("with the constraining key it goes along one side only", () => {
  const of = state(), [x, y] = heart(of), way = moved(LOCAL.inverse(), heart(drag(of, "shift", [x + 40, y + 2], true))), was = moved(LOCAL.inverse(), [x, y])
  assert.ok(near([way[1]], [was[1]], 1e-6))
  assert.ok(Math.abs(way[0] - was[0]) > 20)
})

test("what turns points to the pointer, about the middle, which stays", () => {
  const of = state(), [x, y] = heart(of), now = drag(of, "turn", [x + 10, y + 80]), [left, top] = at(now, "turn")
  assert.ok(near(heart(now), [x, y], 1e-6))
  assert.ok(near([Math.atan2(top - y, left - x)], [Math.atan2(80, 10)], 1e-6))
  assert.ok(near([size(now)], [size(of)], 1e-9))
})

test("with the constraining key it stands at a multiple of 15 degrees in the part", () => {
  const of = state(), [x, y] = heart(of)
  for (const to of [[50, 9], [-30, 60], [4, -70]]) {
    const degrees = turned(drag(of, "turn", [x + to[0], y + to[1]], true))
    assert.ok(near([degrees / 15], [Math.round(degrees / 15)], 1e-9))
  }
})

test("what scales is as far from the middle as the pointer, and the middle stays", () => {
  const of = state(), [x, y] = heart(of), [left, top] = at(of, "scale"), now = drag(of, "scale", [x + (left - x) * 1.5, y + (top - y) * 1.5])
  assert.ok(near(heart(now), [x, y], 1e-6))
  assert.ok(near([size(now) / size(of)], [1.5], 1e-9))
  assert.ok(near([size(drag(of, "scale", [x + (left - x) * 1.6, y + (top - y) * 1.6], true)) / size(of)], [1.5], 1e-9))
})

test("it is never smaller or larger than the server takes it", () => {
  const of = state(), [x, y] = heart(of)
  assert.ok(near([size(drag(of, "scale", [x, y])) / size(of)], [0.01], 1e-9))
  assert.ok(near([size(drag(of, "scale", [x + 1e6, y + 1e6])) / size(of)], [100], 1e-9))
})

test("keys shift by a px of the part, turn by a degree and scale by a hundredth, one after the other", () => {
  const of = state(), twice = becoming(of, byKey(becoming(of, byKey(of, "shift", [], [1, 0])), "shift", [], [1, 0]))
  assert.ok(near([twice.unit.e - of.unit.e, twice.unit.f - of.unit.f], [2, 0], 1e-9))
  assert.ok(near([turned(becoming(of, byKey(of, "turn", [], [0, 10])))], [turned(of) + 10], 1e-9))
  assert.ok(near([size(becoming(of, byKey(of, "scale", [], [0, -10]))) / size(of)], [1.1], 1e-9))
})

test("the outline holds some whole repeats where they are small, and one where they are large", () => {
  const small = state({ tile: [1, 1], lies: [1, 0, 0, 1, 0, 0] }), { block: [left, top, width, height] } = small
  assert.equal(Math.log2(width) % 1, 0)
  assert.deepEqual([width, left % 1, top % 1], [height, 0, 0])
  const seen = Math.hypot(LOCAL.a, LOCAL.b) * width
  assert.ok(seen >= 56 && seen <= 150)
  assert.ok(near(state({ once: true, lies: [1, 0, 0, 1, 0, 0] }).about, [6, 4], 1e-9))
})
