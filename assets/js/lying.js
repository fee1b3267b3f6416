// How a gradient lies, in matrices: from a unit that runs from where it begins, (0, 0), to
// where it ends, (1, 0), to wherever it is seen. Geometry only: colours are the server's.

// As Magpie::Artwork::Affine.axes has it.
export const axes = (from, to, squash = 1) => {
  const across = to[0] - from[0], down = to[1] - from[1]
  return new DOMMatrix([across, down, -down * squash, across * squash, from[0], from[1]])
}

// @param {number[]} box left, top, width, height
export const pointIn = (box, [x, y]) => [box[0] + x * box[2], box[1] + y * box[3]]
export const shareOf = (box, [x, y]) => [(x - box[0]) / box[2], (y - box[1]) / box[3]]

export const moved = (matrix, [x, y]) => {
  const { x: across, y: down } = matrix.transformPoint(new DOMPoint(x, y))
  return [across, down]
}

export const written = ({ a, b, c, d, e, f }) => `matrix(${a} ${b} ${c} ${d} ${e} ${f})`

// The box round a box that was moved.
export function around(matrix, [left, top, width, height]) {
  const points = [[left, top], [left + width, top], [left, top + height], [left + width, top + height]].map(point => moved(matrix, point))
  const xs = points.map(([x]) => x), ys = points.map(([, y]) => y)
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)]
}

// Nearest multiple of so many degrees, about a point.
export function snapped(about, point, degrees) {
  const way = Math.hypot(point[0] - about[0], point[1] - about[1]), step = degrees * Math.PI / 180
  const turn = Math.round(Math.atan2(point[1] - about[1], point[0] - about[0]) / step) * step
  return [about[0] + Math.cos(turn) * way, about[1] + Math.sin(turn) * way]
}

// Where on the way from one stop to the next a share of the second is seen: the middle has half
// (CSS Images 4, colour hints).
export const placeOf = (share, middle) => share === 0 || share === 1 ? share : share ** (Math.log(middle) / Math.log(0.5))
