// Browse: a library's chart, of which only what is seen is drawn, so that 100,000 chips scroll
// as smoothly as a hundred.
import { ChartLayout } from "./chart_layout.js"
import { find, whenPageChanges } from "./page.js"

const INK = "#161616", PAPER = "#f3f3f3"

export const chart = { hexes: "", runs: [], layout: null, current: null, chosen: new Set() }
const told = new Map() // pages of names that came
let address = null, waiting = false
const NAMED = 400

export const field = () => find("#browse")
export const total = () => chart.hexes.length / 6
export const hex = number => `#${chart.hexes.slice(number * 6, number * 6 + 6)}`

whenPageChanges(async () => {
  const place = field()
  if (!place) { address = null; return }
  if (place.dataset.chart !== address) await load(place)
  else arrange()
})

async function load(place) {
  address = place.dataset.chart
  told.clear()
  chart.chosen.clear()
  const came = await fetch(address).then(answer => answer.ok ? answer.json() : null).catch(() => null)
  if (!came || address !== field()?.dataset.chart) return
  Object.assign(chart, came)
  chart.current = place.dataset.number === "" ? null : Number(place.dataset.number)
  arrange()
  if (chart.current !== null) reveal(chart.current)
  document.dispatchEvent(new CustomEvent("chart:ready"))
}

// After the page came anew, or the window has another size.
function arrange() {
  const place = field()
  if (!place || !chart.hexes) return
  chart.layout = new ChartLayout(chart.runs, place.clientWidth - 4)
  find(".browse-all", place).style.height = `${chart.layout.height}px`
  place.dataset.ready = total()
  draw()
}
addEventListener("resize", arrange)

document.addEventListener("scroll", event => {
  if (event.target.id === "browse") later()
}, true)

// Once a frame.
export function later() {
  if (waiting) return
  waiting = true
  requestAnimationFrame(() => { waiting = false; draw() })
}

function draw() {
  const place = field(), canvas = find("canvas", place ?? document)
  if (!place || !canvas || !chart.layout) return
  const ratio = devicePixelRatio, width = place.clientWidth, height = place.clientHeight, top = place.scrollTop
  if (canvas.width !== width * ratio || canvas.height !== height * ratio) Object.assign(canvas, { width: width * ratio, height: height * ratio })
  Object.assign(canvas.style, { width: `${width}px`, height: `${height}px` })
  const pen = canvas.getContext("2d")
  pen.setTransform(ratio, 0, 0, ratio, 2, -top * ratio)
  pen.clearRect(-4, top, width + 8, height)
  for (let index = chart.layout.first(top); index < chart.layout.runs.length && chart.layout.runs[index].title_y < top + height; index += 1) run(pen, chart.layout.runs[index], top, height)
  for (const number of chart.chosen) mark(pen, number, 3)
  if (chart.current !== null) mark(pen, chart.current, 0)
}

function run(pen, { title, from, size, columns, across, down, y, title_y, rows }, top, height) {
  if (title) {
    const { color, fontFamily } = getComputedStyle(field())
    pen.fillStyle = color
    pen.font = `600 13px ${fontFamily}`
    pen.fillText(title, 0, title_y + 17)
  }
  const last = Math.min(rows, Math.ceil((top + height - y) / down))
  for (let row = Math.max(0, Math.floor((top - y) / down)); row < last; row += 1) {
    const end = Math.min(columns, size - row * columns)
    for (let column = 0; column < end; column += 1) {
      pen.fillStyle = hex(from + row * columns + column)
      pen.fillRect(column * across, y + row * down, across, down)
    }
  }
}

function mark(pen, number, inset) {
  if (number >= total()) return
  const [x, y, width, height] = chart.layout.box(number)
  for (const [colour, line, by] of [[PAPER, 4, inset], [INK, 2, inset]]) {
    pen.strokeStyle = colour
    pen.lineWidth = line
    pen.strokeRect(x + by, y + by, width - 2 * by, height - 2 * by)
  }
}

// Scrolls as far as it takes to see a chip.
export function reveal(number) {
  const place = field(), [, y, , height] = chart.layout.box(number)
  if (y < place.scrollTop) place.scrollTop = y - 30
  else if (y + height > place.scrollTop + place.clientHeight) place.scrollTop = y + height - place.clientHeight + 30
  later()
}

// [id, name, code, hex] of a chip; names come by pages.
export async function entry(number) {
  const page = Math.floor(number / NAMED), from = field().dataset.entries
  if (!told.has(page)) told.set(page, fetch(`${from}&from=${page * NAMED}`).then(answer => answer.ok ? answer.json() : []).catch(() => { told.delete(page); return [] }))
  const rows = await told.get(page)
  return field()?.dataset.entries === from ? rows[number % NAMED] : undefined
}

// The chip at a place of the window.
export function under({ clientX, clientY }) {
  const place = field(), box = place.getBoundingClientRect()
  return chart.layout?.at(clientX - box.x - 2, clientY - box.y + place.scrollTop) ?? null
}
