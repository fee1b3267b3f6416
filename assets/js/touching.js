// Which parts of a drawing a frame touches: one that has a point of their fill or line in
// it, or lies in one of them.
import { parts } from "./drawings.js"
import { shapeOf } from "./lines.js"

const STEPS = 48 // places along a line that are looked at

// @param {DOMRect} frame in the window
// @returns {Array<number>}
export function touched(host, frame) {
  return parts(host).flatMap((part, number) => part?.getBoundingClientRect && !part.classList.contains("locked") && meets(part, frame) ? [number] : [])
}

function meets(part, frame) {
  const box = part.getBoundingClientRect()
  if (box.width === 0 && box.height === 0 || box.right < frame.left || box.left > frame.right || box.bottom < frame.top || box.top > frame.bottom) return false
  if (!part.getScreenCTM || part.localName === "stop") return false
  const shape = shapeOf(part)
  if (!shape.isPointInFill) return true // text and pictures are their box
  const within = box.left >= frame.left && box.right <= frame.right && box.top >= frame.top && box.bottom <= frame.bottom
  return within || covers(shape, getComputedStyle(part), frame) || crosses(shape, frame)
}

// A place of the frame lies in the part.
function covers(part, style, { left, top, right, bottom }) {
  const back = part.getScreenCTM()?.inverse()
  if (!back) return false
  return [[left, top], [right, top], [left, bottom], [right, bottom], [(left + right) / 2, (top + bottom) / 2]].some(([x, y]) => {
    const point = new DOMPoint(x, y).matrixTransform(back)
    return style.fill !== "none" && part.isPointInFill(point) || style.stroke !== "none" && part.isPointInStroke(point)
  })
}

// A place of its line lies in the frame.
function crosses(part, { left, top, right, bottom }) {
  const matrix = part.getScreenCTM(), length = part.getTotalLength()
  for (let step = 0; step <= STEPS; step++) {
    const { x, y } = part.getPointAtLength(length * step / STEPS).matrixTransform(matrix)
    if (x >= left && x <= right && y >= top && y <= bottom) return true
  }
  return false
}
