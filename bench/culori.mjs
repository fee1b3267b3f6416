// The same work in an independent library under node: conversions and CIEDE2000 per
// second, and milliseconds until the five nearest of 100,000 are known by a scan.
// bench/colours.rb runs it where the package is installed.
import { converter, differenceCiede2000 } from "culori"

const colours = Array.from({ length: 1000 }, (_, n) => ({ mode: "rgb", r: (n * 7 % 101) / 100, g: (n * 13 % 97) / 96, b: (n * 29 % 89) / 88 }))
const oklch = converter("oklch"), lab = converter("lab65"), difference = differenceCiede2000()
const labs = colours.map(colour => lab(colour))

function perSecond(run) {
  for (let i = 0; i < 5; i++) run()
  let count = 0
  const start = performance.now()
  while (performance.now() - start < 1000) {
    run()
    count += 1000
  }
  return count / (performance.now() - start) * 1000
}

// Spread evenly: shares of the powers of the root of x^4 = x + 1 (a Weyl sequence).
const library = Array.from({ length: 100000 }, (_, n) => lab({ mode: "rgb", r: n * 0.8191725134 % 1, g: n * 0.6710436067 % 1, b: n * 0.5497004779 % 1 }))

// The five best so far are kept in order, which costs next to nothing.
function scan(colour) {
  const best = []
  library.forEach((each, n) => {
    const far = difference(colour, each)
    if (best.length === 5 && far >= best[4][0]) return
    best.push([far, n])
    best.sort((one, two) => one[0] - two[0])
    if (best.length > 5) best.pop()
  })
  return best
}

function scanned() {
  labs.slice(0, 5).forEach(scan)
  const start = performance.now()
  labs.slice(5, 45).forEach(scan)
  return (performance.now() - start) / 40
}

console.log(JSON.stringify({
  scan: scanned(),
  oklch: perSecond(() => colours.forEach(colour => oklch(colour))),
  de2000: perSecond(() => labs.forEach((one, n) => difference(one, labs[(n + 1) % 1000])))
}))
