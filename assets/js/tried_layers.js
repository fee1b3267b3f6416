// A swatch that very many parts of a drawing follow, tried frame by frame. To give each of
// them another paint would take several frames. But what a drawing shows is linear in the
// colour of a swatch, as long as it is opaque: with black in its place, plus the difference
// that white would make, times the colour. These stand as layers, and from then on only the
// colour moves. It is what is seen while one drags; once let go, the drawing itself follows.
const BLACK = "#000", WHITE = "#fff"

export class TriedLayers {
  // @param {HTMLElement} host of the drawing
  // @param {string} variable "--swatch-5"
  constructor(host, variable) {
    this.host = host
    this.variable = variable
    this.colour = box("layer-colour")
    const light = box("layer-light")
    light.append(this.copy(WHITE), this.copy(BLACK, "layer-difference"), this.colour)
    this.element = box("layers")
    this.element.append(this.copy(BLACK), light)
    host.after(this.element)
  }

  copy(value, name = "") {
    const copy = box(`drawing-root ${name}`), root = copy.attachShadow({ mode: "open" })
    copy.style.cssText = this.host.style.cssText
    copy.style.setProperty(this.variable, value)
    root.adoptedStyleSheets = this.host.shadowRoot.adoptedStyleSheets
    root.append(this.host.shadowRoot.querySelector("svg").cloneNode(true))
    return copy
  }

  show(css) {
    this.css = css
    this.colour.style.backgroundColor = css
    this.toggle(true)
  }

  // The drawing itself takes over.
  hide() {
    if (!this.shown) return
    this.host.style.setProperty(this.variable, this.css)
    this.toggle(false)
  }

  toggle(shown) {
    if (this.shown === shown) return
    this.shown = shown
    this.element.classList.toggle("layers-shown", shown)
    this.host.style.visibility = shown ? "hidden" : ""
  }

  end() {
    this.toggle(false)
    this.element.remove()
  }
}

const box = className => Object.assign(document.createElement("div"), { className, ariaHidden: "true" })
