// Taking a reading: a click, or the arrow keys and Enter.
import { find, submit, whenPageChanges } from "./page.js"

let probe = null // { x, y } in pixels of the picture, while it is moved by key

const picture = () => find("#picture")
const size = () => ({ width: Number(picture().dataset.width), height: Number(picture().dataset.height) })
const chosenProbe = () => find("#probe input:checked").value

whenPageChanges(() => {
  const element = picture()
  if (element) element.style.setProperty("--ratio", size().width / size().height)
})

document.addEventListener("click", event => {
  if (!picture()?.contains(event.target) || event.target.closest(".pin")) return
  const box = find("#picture-image").getBoundingClientRect()
  const { width, height } = size()
  take(Math.floor((event.clientX - box.left) / box.width * width), Math.floor((event.clientY - box.top) / box.height * height))
})

document.addEventListener("keydown", event => {
  if (event.target !== picture()) return
  const step = event.shiftKey ? 10 : 1
  const move = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key]
  if (move) {
    event.preventDefault()
    const { width, height } = size()
    probe ??= { x: Math.floor(width / 2), y: Math.floor(height / 2) }
    showProbe(probe.x + move[0], probe.y + move[1])
  } else if (event.key === "Enter" && probe) {
    take(probe.x, probe.y)
  }
})

document.addEventListener("focusout", event => {
  if (event.target === picture()) find("#cross").hidden = true
})

function showProbe(x, y) {
  const { width, height } = size()
  probe = { x: Math.min(Math.max(x, 0), width - 1), y: Math.min(Math.max(y, 0), height - 1) }
  const cross = find("#cross")
  cross.hidden = false
  cross.style.left = `${(probe.x + 0.5) / width * 100}%`
  cross.style.top = `${(probe.y + 0.5) / height * 100}%`
  cross.style.width = `${chosenProbe() / width * 100}%`
  cross.style.height = `${chosenProbe() / height * 100}%`
}

function take(x, y) {
  const { width, height } = size()
  const form = find("#take")
  form.elements.x.value = Math.min(Math.max(x, 0), width - 1)
  form.elements.y.value = Math.min(Math.max(y, 0), height - 1)
  form.elements.probe.value = chosenProbe()
  submit(form)
}
