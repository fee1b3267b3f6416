// Parts whose lines are made of elements of their own: a group stands in the place of the part,
// which hands its paint on to what is in it. See Magpie::Artwork::Lines.
const HANDED = ["fill", "fill-opacity", "stroke", "stroke-opacity", "style", "class"]

// @param {Element} element the part, or the group that stands for it
// @param {string|undefined} text SVG of the group that is to stand there; nothing: the part itself
// @param {Element} part of the file
// @returns {Element} what stands there from now on
export function lined(element, text, part) {
  if (!text && element === part) return element
  const made = text ? grouped(text) : part
  for (const name of HANDED) element.hasAttribute(name) ? made.setAttribute(name, element.getAttribute(name)) : made.removeAttribute(name)
  element.replaceWith(made)
  return made
}

function grouped(text) {
  const root = new DOMParser().parseFromString(`<svg xmlns="http://www.w3.org/2000/svg">${text}</svg>`, "image/svg+xml").documentElement
  return document.importNode(root.firstElementChild, true)
}

// The shape of a part: its outline, without what its line is made of.
export const shapeOf = element => element.localName === "g" ? element.firstElementChild : element
