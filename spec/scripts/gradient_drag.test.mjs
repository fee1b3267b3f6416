import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, near, page, script, whole } from "./window.mjs"

const { becoming, byKey, clicked, commit, dragged, remove, still } = await script("gradient_drag.js")
const { handles, standing } = await script("gradient_handles.js")
const { moved } = await script("lying.js")
const { show } = await script("page.js")

const FORMS = ["linear", "round", "radial", "conic"]
const TURNED = new DOMMatrix().translate(30, 12).rotate(20).scale(2) // from the part's units to the stage

// A gradient of three stops in a part of 200 × 100 units.
function made(form, more = {}) {
  const stops = [0, 0.4, 1].map(offset => ({ offset, middle: 0.5, colour: "#E46F58" }))
  return { form, mark: "m1", part: 3, order: [0, 1, 2], stops, box: [10, 20, 200, 100], from: [0.25, 0.5], to: [0.75, 0.5], squash: 1, across: false, ...more }
}
const state = (form, more) => standing({ made: made(form, more), local: TURNED, room: [-5000, -5000, 5000, 5000] })

const onStage = (of, unit) => moved(of.local.multiply(of.unit), unit)
const handleOf = (of, kind) => handles(of).find(each => each.dataset.handle === kind)
const middleOf = ({ firstElementChild: hit }) => ["x", "y"].map((name, axis) => Number(hit.getAttribute(name)) + Number(hit.getAttribute(["width", "height"][axis])) / 2)

// What is grabbed at its own place and let go by so much.
function drag(of, kind, numbers, [x, y], constrained = false) {
  const name = [kind, ...numbers].join(" "), at = middleOf(handleOf(of, name)), to = [at[0] + x, at[1] + y]
  return { now: dragged({ kind, numbers, state: of, at }, to, constrained), to, name }
}

beforeEach(() => page(`<form id="dress-form"><input name="parts"><input name="act"></form><div><div id="stage" class="stage-drawing" data-drawn="1"></div></div>
  <div id="gradient" data-role="fill"></div>${[0, 1, 2].map(stop => `<div class="stop"><input type="radio" name="stop" value="${stop}"></div>`).join("")}`))

// What is sent while it runs.
async function sent(of, run) {
  $("#gradient").dataset.gradient = JSON.stringify(of.made)
  await show(whole($("#app").innerHTML)) // what waited for an answer waits no more
  let fields = null
  const listen = event => { event.preventDefault(); fields = Object.fromEntries(new FormData(event.target)) }
  addEventListener("submit", listen, true)
  run()
  removeEventListener("submit", listen, true)
  return fields && { ...fields, handles: JSON.parse(fields.handles) }
}

for (const form of FORMS) {
  test(`a handle of a ${form} gradient follows the pointer`, () => {
    const kinds = [["to"], ["from"], ...form === "conic" ? [] : [["stop", 1]]] // round what turns, see below
    for (const [kind, ...numbers] of kinds) {
      const of = state(form), along = onStage(of, [0.1, 0]).map((value, axis) => value - onStage(of, [0, 0])[axis])
      const { now, to, name } = drag(of, kind, numbers, along)
      assert.ok(near(middleOf(handleOf(becoming(of, now), name)), to, 1e-6), kind)
    }
  })

  test(`a stop of a ${form} gradient stays between its neighbours`, () => {
    const of = state(form, { stops: [0.2, 0.4, 0.6].map(offset => ({ offset, middle: 0.5, colour: "#E46F58" })) })
    for (const [x, y] of [[-900, 3], [900, 3], [4, -900], [4, 900], [60, 60]]) {
      const { now } = drag(of, "stop", [1], [x, y]), [first, second, third] = now.stops.map(stop => stop.offset)
      assert.ok(first === 0.2 && second >= 0.2 && second <= 0.6 && third === 0.6, `${second}`)
    }
  })
}

test("a stop of a turning gradient goes round with the pointer", () => {
  const of = state("conic"), at = middleOf(handleOf(of, "stop 1")), turn = 2 * Math.PI * 0.6
  const { stops: [, stop] } = dragged({ kind: "stop", numbers: [1], state: of, at }, onStage(of, [Math.cos(turn), Math.sin(turn)]), false)
  assert.ok(near([stop.offset], [0.6], 1e-9))
  assert.equal(stop.going, false)
})

test("the constraining key brings a stop to whole twentieths and a line to fifteen degrees", () => {
  const of = state("linear"), share = onStage(of, [0.523, 0])
  const at = middleOf(handleOf(of, "stop 1")), stop = dragged({ kind: "stop", numbers: [1], state: of, at }, share, true).stops[1]
  assert.ok(near([stop.offset], [0.5], 1e-9))
  const { now } = drag(of, "to", [], [-7, 50], true), [from, to] = [now.from ?? of.from, now.to].map(point => [10 + point[0] * 200, 20 + point[1] * 100])
  const degrees = Math.atan2(to[1] - from[1], to[0] - from[0]) * 180 / Math.PI
  assert.ok(near([degrees / 15], [Math.round(degrees / 15)], 1e-9))
})

test("a stop far off its way goes, but never one of the last two", () => {
  const by = [0, 200]
  assert.equal(drag(state("linear"), "stop", [1], by).now.stops[1].going, true)
  const two = { order: [0, 1], stops: made("linear").stops.slice(0, 2) }
  assert.equal(drag(state("linear", two), "stop", [1], by).now.stops[1].going, false)
})

test("a middle stays between its stops, and leaves a little to each", () => {
  const of = state("linear")
  assert.ok(near([drag(of, "middle", [0, 1], [9000, 0]).now.stops[0].middle], [0.98]))
  assert.ok(near([drag(of, "middle", [0, 1], [-9000, 0]).now.stops[0].middle], [0.02]))
  const way = onStage(of, [0.3, 0]), at = middleOf(handleOf(of, "middle 0 1"))
  assert.ok(near([dragged({ kind: "middle", numbers: [0, 1], state: of, at }, way, false).stops[0].middle], [0.75], 1e-9))
})

test("what is round is moved by its middle, whole; a line's beginning goes alone", () => {
  const round = state("round"), { now } = drag(round, "from", [], [40, 10])
  assert.ok(near([now.to[0] - now.from[0], now.to[1] - now.from[1]], [0.5, 0], 1e-9))
  assert.deepEqual(Object.keys(drag(state("linear"), "from", [], [40, 10]).now), ["from"])
})

test("the other axis is as long as it is dragged, never nothing", () => {
  const of = state("radial"), at = middleOf(handleOf(of, "squash")), twice = [0, 1].map(axis => at[axis] + onStage(of, [0, 1])[axis] - onStage(of, [0, 0])[axis])
  assert.ok(near([dragged({ kind: "squash", numbers: [], state: of, at }, twice, false).squash], [2], 1e-9))
  const middle = onStage(of, [0, 0]), begun = onStage(of, [0, 1]), onIt = [0, 1].map(axis => at[axis] + middle[axis] - begun[axis])
  assert.equal(dragged({ kind: "squash", numbers: [], state: of, at }, onIt, false).squash, 0.001)
})

test("keys move a stop by a hundredth, a middle, an axis and an end by one px", () => {
  const of = state("radial")
  assert.ok(near([byKey(of, "stop", [1], [1, 0]).stops[1].offset], [0.41]))
  assert.ok(near([byKey(of, "stop", [1], [0, -10]).stops[1].offset], [0.5]))
  assert.ok(near([byKey(of, "middle", [0, 1], [-1, 0]).stops[0].middle], [0.49]))
  assert.ok(near([byKey(of, "squash", [], [10, 0]).squash], [1.1]))
  const was = onStage(of, [1, 0]), is = onStage(becoming(of, byKey(of, "to", [], [0, 1])), [1, 0])
  assert.ok(near(is, [was[0], was[1] + 1], 1e-9))
})

test("what was dragged is sent with what it was seen as; what goes is left out", async () => {
  const of = state("linear"), { now } = drag(of, "stop", [1], [9, 2])
  const moved = await sent(of, () => commit(of, now))
  assert.deepEqual([moved.act, moved.saw_paint, moved.handles.stops.map(stop => stop.of)], ["gradient-fill", "m1", [0, 1, 2]])
  assert.ok(moved.handles.stops[1].offset > 0.4 && moved.handles.from === undefined)
  const fewer = await sent(of, () => remove("stop", [1], of))
  assert.deepEqual(fewer.handles.stops.map(stop => stop.of), [0, 2])
  const laid = await sent(of, () => commit(of, drag(of, "to", [], [9, 2]).now))
  assert.deepEqual([laid.handles.from, laid.handles.squash], [[0.25, 0.5], 1])
})

test("the last two stops stay, and only stops are taken away", async () => {
  const two = state("linear", { order: [0, 1], stops: made("linear").stops.slice(0, 2) })
  assert.equal(await sent(two, () => assert.equal(remove("stop", [1], two), true)), null)
  assert.equal(remove("to", [], two), false)
})

test("a click on the way adds a stop there, and nothing else is only clicked", async () => {
  const of = state("linear")
  assert.deepEqual(["way", "stop", "to"].map(still), [true, false, false])
  const added = await sent(of, () => clicked("way", of, onStage(of, [0.7, 0.02])))
  assert.ok(near([added.handles.stops[3].offset], [0.7], 1e-9))
  assert.equal(added.handles.stops.length, 4)
  assert.equal(await sent(of, () => clicked("stop", of, onStage(of, [0.7, 0]))), null)
})

test("each handle says what it is and where, and those that stand apart have middles between", () => {
  const labels = handles(state("radial")).map(each => each.getAttribute("aria-label")).filter(Boolean)
  assert.deepEqual(labels, ["Middle after stop 1", "Middle after stop 2", "The middle", "Where it ends", "How long the other axis is", "Stop 2", "Stop 3", "Stop 1"])
  const touching = made("linear").stops.map((stop, number) => ({ ...stop, offset: [0, 0.99, 1][number] }))
  assert.equal(handles(state("linear", { stops: touching })).filter(each => each.dataset.handle?.startsWith("middle")).length, 1)
  assert.equal(handleOf(state("linear"), "stop 1").getAttribute("aria-valuenow"), "40")
})

test("handles stay within the room, and a dragged one moves its stop by as much", () => {
  const narrow = standing({ made: made("linear"), local: TURNED, room: [140, 0, 300, 200] }), [x] = middleOf(handleOf(narrow, "stop 0"))
  assert.equal(x, 154.5)
  const { now } = drag(narrow, "stop", [1], [0, 0])
  assert.ok(near([now.stops[1].offset], [0.4], 1e-9))
})
