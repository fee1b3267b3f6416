// Pixels that are already in the browser. What a probe would give is worked out by
// the browser itself: color-mix() in linear light, as the server averages.

const bitmaps = new Map() // address of an image → its bitmap, or the promise of one
const KEPT = 3
const small = Object.assign(document.createElement("canvas"), { width: 31, height: 31 }).getContext("2d", { willReadFrequently: true })
const one = Object.assign(document.createElement("canvas"), { width: 1, height: 1 }).getContext("2d", { willReadFrequently: true })

// @returns {ImageBitmap|null} null until it is decoded; `then` runs when it is
export function bitmapOf(image, then) {
  const known = bitmaps.get(image.src)
  if (known) return known instanceof ImageBitmap ? known : null
  if (!image.complete || !image.naturalWidth) return null
  bitmaps.set(image.src, createImageBitmap(image).then(bitmap => {
    bitmaps.set(image.src, bitmap)
    then?.()
  }, () => bitmaps.delete(image.src)))
  if (bitmaps.size > KEPT) bitmaps.delete(bitmaps.keys().next().value)
  return null
}

// The colour of a square of pixels, as "#RRGGBB"; null where there is none.
export function squareAt(bitmap, x, y, side) {
  const reach = (side - 1) / 2
  const left = Math.max(x - reach, 0), top = Math.max(y - reach, 0)
  const width = Math.min(x + reach, bitmap.width - 1) - left + 1, height = Math.min(y + reach, bitmap.height - 1) - top + 1
  small.clearRect(0, 0, 31, 31)
  small.drawImage(bitmap, left, top, width, height, 0, 0, width, height)
  const counts = new Map()
  const values = new Uint32Array(small.getImageData(0, 0, width, height).data.buffer)
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1)
  counts.delete(0) // transparent
  if (counts.size === 0) return null
  return toHex(mixed([...counts].map(([value, count]) => ({ css: css(value), count }))).css)
}

// Pairs are mixed by their weights until one is left.
function mixed(colours) {
  while (colours.length > 1) {
    const next = []
    for (let i = 0; i < colours.length; i += 2) {
      const [a, b] = [colours[i], colours[i + 1]]
      next.push(b ? { css: `color-mix(in srgb-linear,${a.css} ${100 * a.count / (a.count + b.count)}%,${b.css})`, count: a.count + b.count } : a)
    }
    colours = next
  }
  return colours[0]
}

const css = value => `rgb(${value & 255} ${value >> 8 & 255} ${value >> 16 & 255} / ${(value >>> 24) / 255})`

// Any CSS colour as the eight bits that a screen shows.
export function toHex(colour) {
  one.clearRect(0, 0, 1, 1)
  one.fillStyle = colour
  one.fillRect(0, 0, 1, 1)
  const [r, g, b] = one.getImageData(0, 0, 1, 1).data
  return `#${[r, g, b].map(value => value.toString(16).padStart(2, "0")).join("").toUpperCase()}`
}
