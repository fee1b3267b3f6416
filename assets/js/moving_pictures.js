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

// A server that is busy says so; a picture is asked for again.
const TRIES = 3, LATER = 1500 // ms
document.addEventListener("error", event => {
  const picture = event.target
  if (!picture.matches?.("img.drawn") || Number(picture.dataset.tries ?? 0) >= TRIES) return
  picture.dataset.tries = Number(picture.dataset.tries ?? 0) + 1
  setTimeout(() => { picture.src = picture.getAttribute("src") }, LATER)
}, true)

whenPageChanges(() => {
  if (!find("#mix, #shift")) tried = {}
  show()
})
