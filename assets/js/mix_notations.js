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

// The slice's axes: what a place in it is called. Ranges as the server draws them.
export const PLANES = {
  chroma_lightness: (u, v, held) => `oklch(${v.toFixed(4)} ${(u * 0.37).toFixed(4)} ${held})`,
  hue_chroma: (u, v, held) => `oklch(${held} ${(v * 0.37).toFixed(4)} ${(u * 360).toFixed(1)})`,
  a_b: (u, v, held) => `lab(${held} ${(u * 220 - 110).toFixed(1)} ${(v * 220 - 110).toFixed(1)})`,
  saturation_brightness: (u, v, held) => `hsb(${held} ${(u * 100).toFixed(1)}% ${(v * 100).toFixed(1)}%)`
}
