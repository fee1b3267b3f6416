// The handles of a pattern: the outline of one of its repeats, or of some where they are small,
// with a drop in the middle that shifts, one beside it that turns, and one at its corner that
// scales.
import { endDrop, handle, twice } from "./handle_shapes.js"
import { moved } from "./lying.js"

const OUT = 26 // px by which what turns stands off
const LEAST = 56, MOST = 150 // px of the outline

const middle = ([left, top, width, height]) => [left + width / 2, top + height / 2]

// @param {Object} at { made, local, room }, see handles.js
// @returns {Object} besides: from the tile's units to the part's (unit), the outline in units
//   of the tile (block: left, top, width, height), and its middle in those of the part (about)
export function standing(at) {
  const { made, local } = at, unit = new DOMMatrix(made.lies), block = outlined(made, unit, local)
  return { ...at, unit, block, about: moved(unit, middle(block)), by: null }
}

// Some repeats, so many that they are neither too small nor too large, in their rows; of one tile,
// its middle.
function outlined({ tile: [width, height], frame, once }, unit, local) {
  const { a, b } = local.multiply(unit), wide = Math.hypot(a, b) * width
  const times = 2 ** (wide < LEAST ? Math.ceil(Math.log2(LEAST / wide)) : Math.min(Math.floor(Math.log2(MOST / wide)), 0))
  const at = once ? [width / 2, height / 2] : moved(unit.inverse(), middle(frame))
  const [left, top] = [width, height].map((size, axis) => {
    const half = at[axis] - size * times / 2, step = size * Math.min(times, 1)
    return once ? half : Math.round(half / step) * step
  })
  return [left, top, width * times, height * times]
}

// How far it was moved, turned and scaled, about which point of the part.
export const written = ({ about: [x, y], move, turn, scale }) => new DOMMatrix().translate(x + move[0], y + move[1]).rotate(turn).scale(scale).translate(-x, -y)

// The same with a handle elsewhere.
export const becoming = (state, { by }) => by ? { ...state, by, unit: written(by).multiply(new DOMMatrix(state.made.lies)) } : state

export const localAt = ({ local }, point) => moved(local.inverse(), point)

export function handles(state) {
  const { block: [left, top, width, height], local, unit } = state
  const seen = point => moved(local.multiply(unit), point), at = (across, down) => seen([left + width * across, top + height * down])
  const heart = at(0.5, 0.5), side = at(1, 0.5), way = Math.hypot(side[0] - heart[0], side[1] - heart[1]) || 1
  const out = [0, 1].map(axis => side[axis] + (side[axis] - heart[axis]) / way * OUT)
  const lines = twice("path", { d: `M${[at(0, 0), at(1, 0), at(1, 1), at(0, 1)].map(point => point.join(" ")).join("L")}ZM${side}L${out}` })
  const turned = Math.round(Math.atan2(unit.b, unit.a) * 1800 / Math.PI) / 10
  return [...lines, handle("turn", out, "Turn of the pattern", turned, ...endDrop(out)), handle("scale", at(1, 1), "Size of the pattern", Math.round((state.by?.scale ?? 1) * 100), ...endDrop(at(1, 1))),
    handle("shift", heart, "Place of the pattern", 0, ...endDrop(heart))]
}

