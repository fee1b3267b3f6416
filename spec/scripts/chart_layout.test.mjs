import assert from "node:assert/strict"
import { test } from "node:test"
import { script } from "./window.mjs"

const { ChartLayout } = await script("chart_layout.js")

// Pages of a library as they come: some with columns of their own, one without a title.
const RUNS = [["Page 1", 0, 14, 7], ["Page 2", 14, 5, 3], ["", 19, 100, null], ["Page 4", 119, 1, 1]]
const charts = [300, 700, 1280].map(width => new ChartLayout(RUNS, width))
const each = run => { for (const chart of charts) for (let number = 0; number < 120; number++) run(chart, number) }

test("no chip lies on another, and none beyond its run or the width", () => {
  for (const chart of charts) {
    const boxes = Array.from({ length: 120 }, (_, number) => chart.box(number))
    for (const [one, [x, y, width, height]] of boxes.entries()) {
      assert.ok(x >= 0 && x + width <= chart.width && y + height <= chart.height, `${one} at ${chart.width}`)
      for (const [left, top, across, down] of boxes.slice(one + 1)) assert.ok(left >= x + width || left + across <= x || top >= y + height || top + down <= y)
    }
  }
})

test("what lies at a point is the chip whose box holds it, looked for one by one", () => {
  for (const chart of charts) for (let x = -5; x < chart.width; x += 13) for (let y = 0; y < chart.height; y += 11) {
    const found = Array.from({ length: 120 }, (_, number) => number).find(number => {
      const [left, top, width, height] = chart.box(number)
      return x >= left && x < left + width && y >= top && y < top + height
    })
    assert.equal(chart.at(x, y), found ?? null)
  }
})

test("arrow keys go to a neighbour and stay within the chart", () => each((chart, number) => {
  assert.equal(chart.step(number, "ArrowRight"), Math.min(number + 1, 119))
  assert.equal(chart.step(number, "ArrowLeft"), Math.max(number - 1, 0))
  assert.equal(chart.step(number, "Home"), 0)
  assert.equal(chart.step(number, "End"), 119)
  assert.equal(chart.step(number, "x"), number)
}))

test("up and down go to the row above and below, in the column as far as there is one", () => each((chart, number) => {
  const down = chart.step(number, "ArrowDown"), up = chart.step(number, "ArrowUp")
  const [, here] = chart.box(number)
  if (down === number) assert.equal(chart.box(119)[1], here) // nothing lies below the last row
  else assert.ok(chart.box(down)[1] > here)
  if (up === number) assert.equal(chart.box(0)[1], here)
  else assert.ok(chart.box(up)[1] < here)
}))

test("a chart that has nothing is nothing high", () => assert.equal(new ChartLayout([], 800).height, 0))
