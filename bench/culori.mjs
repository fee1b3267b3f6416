// The same work in an independent library under node: conversions and CIEDE2000 per
// second. bench/colours.rb runs it where the package is installed.
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

console.log(JSON.stringify({
  oklch: perSecond(() => colours.forEach(colour => oklch(colour))),
  de2000: perSecond(() => labs.forEach((one, n) => difference(one, labs[(n + 1) % 1000])))
}))
