// The round magnifier that follows the pointer: the pixels, the probe's outline in
// them, and under it what the probe would give.
import { find } from "./page.js"
import { bitmapOf, squareAt } from "./pixels.js"
import { scaleOf } from "./view.js"

const DIAMETER = 148
const CELL = { 1: 14, 3: 14, 5: 12, 11: 8, 31: 4 } // CSS pixels to a pixel, by the probe's side
const GRID_FROM = 8
const lens = Object.assign(document.createElement("div"), { className: "loupe", hidden: true, ariaHidden: "true" })
const canvas = Object.assign(document.createElement("canvas"), { width: DIAMETER, height: DIAMETER })
const label = Object.assign(document.createElement("p"), { className: "mono" })
lens.append(canvas, label)
const context = canvas.getContext("2d")

// @param {HTMLElement} picture, with a pixel of it and the point of the window there
// @param {number} side of the probe
// @param {string} words instead of the value
// @returns {string|null} the value as "#RRGGBB"
export function show(picture, { x, y }, { clientX, clientY, pointerType }, side, words) {
  const image = find(".picture-image", picture)
  const bitmap = bitmapOf(image, () => lens.hidden || show(picture, { x, y }, { clientX, clientY, pointerType }, side, words))
  if (!lens.isConnected) document.body.append(lens)
  lens.hidden = false
  const small = scaleOf(picture) >= GRID_FROM // the picture shows its pixels itself
  lens.classList.toggle("loupe-small", small)
  const [across, down] = pointerType === "touch" ? besideFinger(clientX, clientY) : [clientX, clientY]
  lens.style.transform = `translate(${across}px, ${down}px)`
  lens.classList.toggle("loupe-above", clientY + DIAMETER / 2 + 44 > innerHeight)
  if (!bitmap) {
    label.textContent = "…"
    return null
  }
  if (!small) draw(bitmap, x, y, side)
  const value = words ? null : squareAt(bitmap, x, y, side)
  label.textContent = words ?? value ?? "transparent"
  return value
}

// Above the finger, which would cover it; at the top of the window at its side.
function besideFinger(x, y) {
  if (y > DIAMETER * 1.5) return [Math.min(Math.max(x, DIAMETER / 2), innerWidth - DIAMETER / 2), y - DIAMETER]
  return [x < innerWidth / 2 ? x + DIAMETER * 0.9 : x - DIAMETER * 0.9, y]
}

export function hide() {
  lens.hidden = true
}

function draw(bitmap, x, y, side) {
  const cell = CELL[side] ?? CELL[1], across = DIAMETER / cell, corner = DIAMETER / 2 - cell / 2
  context.imageSmoothingEnabled = false
  context.fillStyle = "#919191"
  context.fillRect(0, 0, DIAMETER, DIAMETER)
  context.drawImage(bitmap, x + 0.5 - across / 2, y + 0.5 - across / 2, across, across, 0, 0, DIAMETER, DIAMETER)
  if (cell >= GRID_FROM) grid(cell, corner)
  const reach = side * cell, edge = DIAMETER / 2 - reach / 2
  for (const [colour, width] of [["#000", 4], ["#fff", 2]]) {
    context.strokeStyle = colour
    context.lineWidth = width
    context.strokeRect(edge, edge, reach, reach)
  }
}

function grid(cell, corner) {
  context.strokeStyle = "rgb(0 0 0 / .22)"
  context.lineWidth = 1
  context.beginPath()
  for (let at = corner % cell; at < DIAMETER; at += cell) {
    context.moveTo(Math.round(at) + 0.5, 0)
    context.lineTo(Math.round(at) + 0.5, DIAMETER)
    context.moveTo(0, Math.round(at) + 0.5)
    context.lineTo(DIAMETER, Math.round(at) + 0.5)
  }
  context.stroke()
}
