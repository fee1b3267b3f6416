import assert from "node:assert/strict"
import { test } from "node:test"
import { script } from "./window.mjs"

const { read, write } = await script("numbers.js")

// The same each time: a generator of numbers after Park and Miller.
function random(seed) {
  let state = seed
  return most => (state = state * 48271 % 2147483647) % most
}

test("numbers are written in runs, whatever their order", () => {
  assert.equal(write([7, 3, 1, 2, 2]), "1-3,7")
  assert.equal(write(new Set([5])), "5")
  assert.equal(write([]), "")
  assert.deepEqual(read("1-3,7"), [1, 2, 3, 7])
  assert.deepEqual(read(""), [])
})

test("what is longer as text is written as bits, and all of it is read again", () => {
  const odd = Array.from({ length: 3000 }, (_, index) => index * 2 + 1), text = write(odd)
  assert.match(text, /^=[A-Za-z0-9+/]+=*$/)
  assert.ok(text.length < 1100)
  assert.deepEqual(read(text), odd)
})

test("any numbers come back as they were", () => {
  const next = random(11)
  for (let round = 0; round < 40; round++) {
    const numbers = new Set(Array.from({ length: next(2500) }, () => next(1 + next(9000))))
    assert.deepEqual(read(write(numbers)), [...numbers].sort((one, two) => one - two))
  }
})
