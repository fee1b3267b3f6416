// Makes colours.json: what an independent library says of 600 colours spread over
// the space. Run where the npm package culori 4.0.2 is installed:
//   npm install culori@4.0.2 && node colours.mjs > colours.json
import { converter, differenceCiede2000 } from "culori"

const models = { hsl: "hsl", hsb: "hsv", hwb: "hwb", lab: "lab", lch: "lch", oklab: "oklab", oklch: "oklch", display_p3: "p3", xyz_d50: "xyz50", xyz_d65: "xyz65" }
const channels = { hsl: "hsl", hsb: "hsv", hwb: "hwb", lab: "lab", lch: "lch", oklab: "lab", oklch: "lch", display_p3: "rgb", xyz_d50: "xyz", xyz_d65: "xyz" }
const colours = []
for (let r = 0; r < 8; r++) for (let g = 0; g < 8; g++) for (let b = 0; b < 8; b++) colours.push([r / 7, g / 7, b / 7])
let seed = 7 // a generator that is the same everywhere
const next = () => (seed = (seed * 16807) % 2147483647) / 2147483647
while (colours.length < 600) colours.push([next(), next(), next()])

const difference = differenceCiede2000()
const round = value => Number((value ?? 0).toFixed(7))
const rows = colours.map(([r, g, b], index) => {
  const colour = { mode: "rgb", r, g, b }
  const [u, v, w] = colours[(index * 7 + 3) % colours.length]
  // The library measures in Lab of D65; its formula is given our Lab of D50 instead.
  const onD50 = (r, g, b) => ({ ...converter("lab")({ mode: "rgb", r, g, b }), mode: "lab65" })
  const row = { rgb: [r, g, b].map(round) }
  for (const [name, mode] of Object.entries(models)) {
    const converted = converter(mode)(colour)
    row[name] = [...channels[name]].map(channel => round(converted[channel]))
  }
  row.other = [u, v, w].map(round)
  row.de2000 = round(difference(onD50(r, g, b), onD50(u, v, w)))
  return row
})
console.log(`[\n${rows.map(row => JSON.stringify(row)).join(",\n")}\n]`)
