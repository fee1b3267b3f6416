// Pictures of artworks that are too heavy to follow a slider as drawings: the server makes
// them anew of what is tried, once the person lets go.
import { all, find, whenPageChanges } from "./page.js"

let tried = {} // hex by swatch's id

document.addEventListener("swatch:tried", ({ detail }) => {
  tried = detail
  show()
})

function show() {
  for (const picture of all("img[data-moves]")) {
    const moved = picture.dataset.moves.split(",").filter(id => id in tried)
    const [address] = picture.getAttribute("src").split("&try=")
    const wanted = moved.length ? `${address}&try=${moved.map(id => `${id}-${tried[id].slice(1)}`).join(".")}` : address
    if (picture.getAttribute("src") !== wanted) picture.src = wanted
  }
}

whenPageChanges(() => {
  if (!find("#mix, #shift")) tried = {}
  show()
})
