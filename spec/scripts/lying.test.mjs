import assert from "node:assert/strict"
import { test } from "node:test"
import { near, script } from "./window.mjs"

const { around, axes, moved, placeOf, pointIn, shareOf, snapped, written } = await script("lying.js")

test("axes run from where a gradient begins to where it ends, and across by its squash", () => {
  const matrix = axes([10, 20], [40, 60], 0.5)
  assert.ok(near(moved(matrix, [0, 0]), [10, 20]))
  assert.ok(near(moved(matrix, [1, 0]), [40, 60]))
  assert.ok(near(moved(matrix, [0, 1]), [10 - 20, 20 + 15])) // a quarter turn from it, half as long
})

test("shares of a box and points in it are each other's way back", () => {
  const box = [12, -4, 300, 50]
  assert.deepEqual(pointIn(box, [0.5, 1]), [162, 46])
  for (const point of [[12, -4], [100, 7], [-50, 80]]) assert.ok(near(pointIn(box, shareOf(box, point)), point))
})

test("a matrix is written as SVG has it", () => assert.equal(written(new DOMMatrix([1, 2, 3, 4, 5, 6])), "matrix(1 2 3 4 5 6)"))

test("the box round a turned box touches all of its corners", () => {
  const box = around(new DOMMatrix().rotate(90), [0, 0, 40, 10])
  assert.ok(near(box, [-10, 0, 10, 40], 1e-6))
})

test("a point is brought to the nearest multiple of an angle, as far off as it was", () => {
  const about = [5, 5], [x, y] = snapped(about, [5 + 10 * Math.cos(0.3), 5 + 10 * Math.sin(0.3)], 15), turn = 15 * Math.PI / 180
  assert.ok(near([x, y], [5 + 10 * Math.cos(turn), 5 + 10 * Math.sin(turn)]))
})

// CSS Images 4: at the hint both have half; the exponent is log(0.5) / log(hint).
test("where a share is seen is the other way round of a colour hint", () => {
  for (const middle of [0.1, 0.25, 0.5, 0.8]) {
    assert.ok(near([placeOf(0, middle), placeOf(0.5, middle), placeOf(1, middle)], [0, middle, 1]))
    for (const place of [0.2, 0.6, 0.9]) assert.ok(near([placeOf(place ** (Math.log(0.5) / Math.log(middle)), middle)], [place]))
  }
})
