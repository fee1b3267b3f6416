// How each model is written, and how CSS shows it where it can.
export const WRITE = {
  rgb: ([r, g, b], a) => `rgb(${r} ${g} ${b}${a})`,
  hsb: ([h, s, v], a) => `hsb(${h} ${s}% ${v}%${a})`,
  hsl: ([h, s, l], a) => `hsl(${h} ${s}% ${l}%${a})`,
  lab: ([l, c, d], a) => `lab(${l} ${c} ${d}${a})`,
  lch: ([l, c, h], a) => `lch(${l} ${c} ${h}${a})`,
  oklch: ([l, c, h], a) => `oklch(${l} ${c} ${h}${a})`,
  cmyk: ([c, m, y, k], a) => `device-cmyk(${c}% ${m}% ${y}% ${k}%${a})`
}
export const SHOWN = { ...WRITE, hsb: ([h, s, v], a) => `hwb(${h} calc(${v}% * (100 - ${s}) / 100) calc(100% - ${v}%)${a})`, cmyk: null }

// The slice's axes: what a place in it is called, in the units of its model.
export const PLANES = {
  chroma_lightness: (across, up, held) => `oklch(${up.toFixed(4)} ${across.toFixed(4)} ${held})`,
  hue_chroma: (across, up, held) => `oklch(${held} ${up.toFixed(4)} ${across.toFixed(1)})`,
  a_b: (across, up, held) => `lab(${held} ${across.toFixed(1)} ${up.toFixed(1)})`,
  saturation_brightness: (across, up, held) => `hsb(${held} ${across.toFixed(1)}% ${up.toFixed(1)}%)`
}
