// What handles on the artwork are drawn of: lines that are black under white, so that they are
// seen on any colour, and drops. They keep their size on the screen, and stand where they stand
// without transforms: one that moves would have the layers of the whole page laid out anew.
const SVG = "http://www.w3.org/2000/svg"
const END = 6.5 // px, half the size of a drop
const HIT = 13 // px, half of what can be hit

export function element(name, attributes, ...children) {
  const made = document.createElementNS(SVG, name)
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value)
  made.append(...children)
  return made
}

export const twice = (name, attributes) => ["handle-under", "handle-over"].map(kind => element(name, { ...attributes, class: kind }))

export const drop = (size, [x, y]) => `M${x - size} ${y + size}V${y}A${size} ${size} 0 1 1 ${x} ${y + size}Z`

export function handle(kind, [x, y], label, value, ...shapes) {
  return element("g", { "data-handle": kind, tabindex: 0, role: "slider", "aria-label": label, "aria-valuenow": value, "aria-valuetext": `${label} ${value}` },
    element("rect", { x: x - HIT, y: y - HIT, width: HIT * 2, height: HIT * 2, class: "handle-hit" }), ...shapes)
}

export const endDrop = point => ["handle-paper", "handle-edge"].map(kind => element("path", { d: drop(END, point), class: kind }))

// Can it be reached? The drawing may fill all its room.
export const inRoom = ({ room: [left, top, right, bottom] }, [x, y]) => x > left + END && x < right - END && y > top + END && y < bottom - END

// Puts them there. Only what differs is written: what is dragged keeps its focus, and the page
// its layout.
// @param {SVGElement} above
// @param {SVGElement[]} drawn
export function put(above, drawn) {
  const there = [...above.children]
  if (drawn.length > 0 && drawn.length === there.length && drawn.every((made, index) => alike(made, there[index]))) return there.forEach((each, index) => become(each, drawn[index]))
  const focused = above.querySelector(":focus")?.dataset.handle
  above.replaceChildren(...drawn)
  if (focused) above.querySelector(`[data-handle="${focused}"]`)?.focus({ preventScroll: true })
}

const alike = (one, two) => one.localName === two.localName && one.dataset.handle === two.dataset.handle

function become(there, made) {
  for (const { name, value } of made.attributes) if (there.getAttribute(name) !== value) there.setAttribute(name, value)
  for (const [index, child] of [...there.children].entries()) become(child, made.children[index])
}
