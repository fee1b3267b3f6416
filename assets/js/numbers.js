// Numbers of parts as the server reads them: "1-3,7", or bits where that is longer
// (app/places/dress/numbers.rb).
const BITS_FROM = 4000 // characters

// @param {Iterable<number>} numbers
export function write(numbers) {
  const sorted = [...new Set(numbers)].sort((one, two) => one - two), runs = []
  for (const number of sorted) {
    const run = runs.at(-1)
    run && run[1] === number - 1 ? run[1] = number : runs.push([number, number])
  }
  const text = runs.map(([from, to]) => from === to ? from : `${from}-${to}`).join(",")
  return text.length > BITS_FROM ? bits(sorted) : text
}

function bits(sorted) {
  const bytes = new Uint8Array(Math.floor(sorted.at(-1) / 8) + 1)
  for (const number of sorted) bytes[number >> 3] |= 1 << (number & 7)
  return `=${btoa(Array.from(bytes, byte => String.fromCharCode(byte)).join(""))}`
}

// @returns {Array<number>}
export function read(text) {
  if (text.startsWith("=")) return set(Uint8Array.from(atob(text.slice(1)), letter => letter.charCodeAt(0)))
  return text.split(",").filter(Boolean).flatMap(run => {
    const [from, to = from] = run.split("-").map(Number)
    return Array.from({ length: to - from + 1 }, (_, index) => from + index)
  })
}

function set(bytes) {
  const found = []
  bytes.forEach((byte, index) => { for (let bit = 0; bit < 8; bit++) if (byte >> bit & 1) found.push(index * 8 + bit) })
  return found
}
