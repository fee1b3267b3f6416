// What is shown before the server has answered. It stands until the page is brought up
// to date, or is taken back.
const changed = [] // how to take it back, oldest first

// @param {string|null} value null takes the attribute away
export function preview(element, attribute, value) {
  const was = element.getAttribute(attribute)
  changed.push(() => set(element, attribute, was))
  set(element, attribute, value)
}

const set = (element, attribute, value) => value === null ? element.removeAttribute(attribute) : element.setAttribute(attribute, value)

export function previewText(element, text) {
  const was = element.textContent
  changed.push(() => { element.textContent = was })
  element.textContent = text
}

export function takeBack() {
  for (const undo of changed.splice(0).reverse()) undo()
}

document.addEventListener("page:shown", () => { changed.length = 0 })
