// What dragging the handles of a pattern does, and moving them by keys.
import { change, role } from "./gradient.js"
import { becoming, localAt } from "./pattern_handles.js"
import { begin as beginPreview, show as showLying } from "./pattern_preview.js"
import { picked } from "./picks.js"
import { host } from "./stage.js"

const TURN = 15 // degrees to which the constraining key brings it
const STEP = 0.25 // of its size, to which it brings that
const SCALES = [0.01, 100] // as Magpie::Artwork::Tiling has them
const NOTHING = { move: [0, 0], turn: 0, scale: 1 }

const clamped = (value, low, high) => Math.min(Math.max(value, low), high)
const degrees = ([x, y]) => Math.atan2(y, x) * 180 / Math.PI
const from = ([x, y], point) => [point[0] - x, point[1] - y]

export const grabbed = () => {}
export const still = () => false
export const clicked = () => {}
export const remove = () => false
export { becoming }

export const begin = ({ state: { made } }) => beginPreview(host(), picked(), role(), made.once)

export const show = (state, now) => showLying(becoming(state, now))

// Where a handle would be.
export function dragged({ kind, state, at }, point, constrained) {
  const { about, unit } = state, one = localAt(state, at), two = localAt(state, point)
  if (kind === "shift") return { by: { ...NOTHING, about, move: straight(from(one, two), constrained) } }
  if (kind === "turn") {
    const now = degrees([unit.a, unit.b]), turn = degrees(from(about, two)) - degrees(from(about, one))
    return { by: { ...NOTHING, about, turn: constrained ? Math.round((now + turn) / TURN) * TURN - now : turn } }
  }
  const scale = Math.hypot(...from(about, two)) / (Math.hypot(...from(about, one)) || 1)
  return { by: { ...NOTHING, about, scale: clamped(constrained ? Math.max(Math.round(scale / STEP), 1) * STEP : scale, ...SCALES) } }
}

// With the constraining key, along one side only.
const straight = ([x, y], constrained) => !constrained ? [x, y] : Math.abs(x) > Math.abs(y) ? [x, 0] : [0, y]

export function byKey(state, kind, numbers, [x, y]) {
  const was = state.by ?? { ...NOTHING, about: state.about }, step = x || -y
  if (kind === "shift") return { by: { ...was, move: [was.move[0] + x, was.move[1] + y] } }
  if (kind === "turn") return { by: { ...was, turn: was.turn + (x || y) } }
  return { by: { ...was, scale: clamped(was.scale * (1 + step / 100), ...SCALES) } }
}

export function commit(state, now) {
  const { a, b, c, d, e, f } = becoming(state, now).unit
  change({ handles: JSON.stringify(now.by) }, { lies: [a, b, c, d, e, f] })
}
