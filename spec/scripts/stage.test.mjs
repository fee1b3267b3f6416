import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, lies, page, pointer, press, script, Server, soon } from "./window.mjs"

SVGElement.prototype.getScreenCTM = () => new DOMMatrix()
SVGElement.prototype.getBBox = () => ({ x: 0, y: 0, width: 9, height: 9 })
SVGGeometryElement.prototype.isPointInFill = function ({ x, y }) {
  const { left, top, right, bottom } = this.getBoundingClientRect()
  return x >= left && x <= right && y >= top && y <= bottom
}
SVGGeometryElement.prototype.isPointInStroke = () => false
SVGGeometryElement.prototype.getTotalLength = () => 0
SVGGeometryElement.prototype.getPointAtLength = () => new DOMPoint(-99, -99)
Element.prototype.setPointerCapture = () => {}
page("")
const { follow, parts } = await script("drawings.js")
const { picked, pick, said } = await script("picks.js")
await script("stage.js")
await script("stage_keys.js")
await script("tree.js")

// A drawing of four bands one below the other, 40 px each, the last two in a group.
const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 160"><path data-part="0"/><path data-part="1"/><g id="low"><path data-part="2"/><path data-part="3"/></g></svg>`
const told = more => ({ paints: [["fill", "#231F55", 1, [0, 1, 2, 3], null]], lines: {}, servers: "", since: 0, stamp: 5, mark: "m1", locked: "", ...more })
let sent, drawn = 0

async function stage(tool = "pick", more = {}) {
  sent = []
  drawn += 1
  page(`<div class="dress" data-tool="${tool}"></div><div class="stage-room"><div id="stage" class="stage-drawing" tabindex="0" data-drawn="${drawn}" data-width="100" data-height="160">
    <div id="stage-drawing" data-artwork="${drawn}" data-drawing="/drawing-${drawn}.svg" data-paints="/paints.json" data-mark="m1"></div></div></div><svg id="outline"></svg><svg id="where"></svg><b id="zoom-now"></b>
    <fieldset id="target"><input type="radio" value="fill" checked></fieldset><i id="in-hand" style="background-color: rgb(47, 143, 163)"></i><form id="dress-form"><input name="parts"><input name="act"></form>
    <aside id="side"><form id="part-name"><input name="name"><input name="group"><input name="number"></form><ul class="tree"><li><div class="tree-row" data-numbers="2-3" data-group="low"><button class="tree-name" data-tree-pick>Low bands</button><button data-tree-rename>Name</button><button data-tree-act="lock">Lock</button></div></li></ul></aside>`)
  lies($("#stage"), [0, 0, 100, 160])
  lies($(".stage-room"), [0, 0, 100, 160])
  new Server().will({ text: DRAWING }, { text: JSON.stringify(told(more)) })
  const host = $("#stage-drawing")
  await follow(host)
  const at = (x, y) => x >= 0 && x < 100 && y >= 0 && y < 160 ? parts(host)[Math.floor(y / 40)] : null
  host.shadowRoot.elementFromPoint = at
  host.shadowRoot.elementsFromPoint = (x, y) => at(x, y) ? [at(x, y), parts(host)[0]] : []
  parts(host).forEach((part, index) => lies(part, [0, index * 40, 100, 40]))
}
for (const form of ["dress-form", "part-name"]) addEventListener("submit", event => {
  if (event.target.id !== form) return
  event.preventDefault()
  sent.push(Object.fromEntries(new FormData(event.target)))
}, true)
const fill = number => parts($("#stage-drawing"))[number].getAttribute("fill")
const drag = (...points) => {
  const [first, ...others] = points
  pointer("down", $("#stage"), ...first)
  for (const point of others) pointer("move", $("#stage"), ...point)
}
const click = (x, y, more = {}) => { pointer("down", $("#stage"), x, y, more); pointer("up", $("#stage"), x, y, more) }

beforeEach(() => sessionStorage.clear())

test("a drawing is painted as it is told, and knows what it shows", async () => {
  await stage("pick", { paints: [["fill", "#231F55", 1, [0, 1], null], ["fill", "url(#g)", 0.5, [2], null], ["line", "#FFCE5C", 1, [0], { "stroke-width": "3" }]], locked: "1", servers: '<defs><linearGradient id="g"/></defs>' })
  const [one, two, three] = parts($("#stage-drawing"))
  assert.deepEqual([fill(0), one.getAttribute("stroke"), one.getAttribute("style"), three.getAttribute("fill"), three.getAttribute("fill-opacity")], ["#231F55", "#FFCE5C", "stroke-width:3", "url(#g)", "0.5"])
  assert.deepEqual([two.classList.contains("locked"), $("#stage-drawing").shadowRoot.querySelector("[data-servers] #g") !== null, $("#stage-drawing").dataset.bare], [true, true, undefined])
})

test("what did not come is said, and asked for again when the page changes", async () => {
  await stage()
  const host = $("#stage-drawing"), server = new Server().will({ lost: true }, { text: JSON.stringify(told({ paints: [["fill", "#FFFFFF", 1, [0], null]], mark: "m2", since: 5, stamp: 6 })) })
  host.dataset.mark = "m2"
  await follow(host)
  assert.match(host.dataset.failed, /did not come/)
  await follow(host)
  assert.deepEqual([server.asked.map(({ address }) => address), host.dataset.failed, fill(0)], [["/paints.json?since=5", "/paints.json?since=5"], undefined, "#FFFFFF"])
})

test("a click picks what lies on top, once more what lies below; Shift one more or less", async () => {
  await stage()
  click(50, 60)
  assert.deepEqual([...picked()], [1])
  click(50, 60)
  assert.deepEqual([...picked()], [0])
  click(50, 100, { shiftKey: true })
  assert.deepEqual([...picked()], [0, 2])
  click(50, 100, { shiftKey: true })
  assert.deepEqual([...picked()], [0])
  click(500, 500)
  assert.deepEqual([said(), JSON.parse(sessionStorage.picked ?? "{}")], [`${drawn}:`, {}])
})

test("a sweep shows what is in hand at once, passes nothing over, and is one change", async () => {
  await stage("sweep")
  drag([50, 20], [50, 150])
  assert.deepEqual([0, 1, 2, 3].map(fill), Array(4).fill("rgb(47, 143, 163)"))
  pointer("up", $("#stage"), 50, 150)
  assert.deepEqual(sent, [{ parts: "0-3", act: "give-fill" }])
})

test("with Shift it gives lines", async () => {
  await stage("sweep")
  click(50, 20, { shiftKey: true })
  assert.deepEqual([sent, fill(0)], [[{ parts: "0", act: "give-line" }], "#231F55"])
})

test("Esc, another window and a finger that is taken over leave everything as it was", async () => {
  for (const away of [() => press("Escape", $("#stage")), () => dispatchEvent(new Event("blur")), () => pointer("cancel", $("#stage"), 5, 5)]) {
    await stage("sweep")
    drag([50, 20], [50, 100])
    away()
    assert.deepEqual([0, 1, 2].map(fill), Array(3).fill("#231F55"))
    pointer("up", $("#stage"), 50, 100)
    assert.deepEqual(sent, [])
  }
})

test("a frame picks what it touches, and its box is gone", async () => {
  await stage()
  drag([-5, 30], [20, 70])
  assert.equal($(".select-frame").style.height, "40px")
  pointer("up", $("#stage"), 20, 70)
  assert.deepEqual([[...picked()], document.querySelectorAll(".select-frame").length], [[0, 1], 0])
})

test("keys walk, give, clear and let go", async () => {
  await stage()
  $("#stage").focus()
  for (const [key, expected] of [["ArrowDown", [0]], ["ArrowRight", [1]], ["ArrowUp", [0]], ["ArrowLeft", [3]]]) {
    press(key, $("#stage"))
    assert.deepEqual([...picked()], expected)
  }
  press("Enter", $("#stage"))
  press("Delete", $("#stage"), { shiftKey: true })
  assert.deepEqual([sent, fill(3)], [[{ parts: "3", act: "give-fill" }, { parts: "3", act: "clear-line" }], "rgb(47, 143, 163)"])
  press("Escape", $("#stage"))
  assert.equal(picked().size, 0)
  press("Enter", $("#stage"))
  assert.equal(sent.length, 2)
})

test("what is picked in the tree is its parts; what is done there is done to them", async () => {
  await stage()
  $("[data-tree-pick]").click()
  assert.deepEqual([[...picked()], $(".tree-row").classList.contains("tree-picked")], [[2, 3], true])
  pick([0])
  assert.equal($(".tree-row").classList.contains("tree-picked"), false)
  $("[data-tree-pick]").dispatchEvent(new MouseEvent("click", { bubbles: true, shiftKey: true }))
  assert.deepEqual([...picked()], [0, 2, 3])
  $("[data-tree-act]").click()
  assert.deepEqual(sent, [{ parts: "2-3", act: "lock" }])
})

test("a name becomes a field: Enter keeps what is written, Esc and nothing what was", async () => {
  await stage()
  const rename = (value, key) => {
    $("[data-tree-rename]").click()
    const field = $(".tree-field")
    assert.ok(document.activeElement === field)
    field.value = value
    press(key, field)
    assert.ok(!$(".tree-field") && document.activeElement === $(".tree-name"))
  }
  rename("Evening", "Escape")
  rename(" ", "Enter")
  rename("Low bands", "Enter")
  assert.deepEqual(sent, [])
  rename("Evening", "Enter")
  assert.deepEqual(sent, [{ name: "Evening", group: "low", number: "2" }])
})

test("what is picked outlasts a reload, each artwork's own", async () => {
  await stage()
  pick([1, 2])
  assert.deepEqual(JSON.parse(sessionStorage.getItem("picked"))[drawn], "1,2")
  await stage()
  assert.equal(picked().size, 0)
  await soon()
})
