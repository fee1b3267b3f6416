// The Mix sheet. While something is dragged the browser shows the colour by CSS
// functions alone; the numbers of the other models come from the server, one
// question at a time, always the latest.
import { all, find } from "./page.js"

const sheet = () => find("#mix")
let asking = false
let waiting = null

document.addEventListener("input", event => {
  const group = event.target.closest("#mix fieldset")
  if (group && event.target.value !== "") fromChannels(group, event.target)
  else if (event.target.id === "mix-notation") ask(event.target.value)
})

document.addEventListener("click", event => {
  const button = event.target.closest("#mix [data-restore]")
  if (!button) return
  find("#mix-notation").value = button.dataset.restore
  ask(button.dataset.restore)
})

// One slider or number moved: its twin follows, the notation says it, the page shows it.
function fromChannels(group, moved) {
  const model = group.dataset.model
  for (const twin of all(`[data-channel="${moved.dataset.channel}"]`, group)) if (twin !== moved) twin.value = moved.value
  const values = all("input[type=range]", group).map(input => input.value)
  const [a, b, c] = values
  find("#mix-notation").value = model === "rgb" ? `rgb(${a} ${b} ${c})` : `hsb(${a} ${b}% ${c}%)`
  show(model === "rgb" ? `rgb(${a} ${b} ${c})` : `hwb(${a} calc(${c}% * (100 - ${b}) / 100) calc(100% - ${c}%))`)
  tracks(model, values)
  ask(find("#mix-notation").value)
}

// Previews on every place that follows the swatch, by its custom property.
function show(css) {
  const variable = sheet().dataset.variable
  if (variable) find("#app").style.setProperty(variable, css)
  sheet().style.setProperty("--mix-now", css)
  find("#mix-now").style.background = css
}

function tracks(model, values) {
  const names = model === "rgb" ? ["--r", "--g", "--b"] : ["--h", "--s", "--v"]
  names.forEach((name, index) => sheet().style.setProperty(name, values[index]))
}

async function ask(notation) {
  waiting = notation
  if (asking) return
  asking = true
  while (waiting !== null) {
    const asked = waiting
    waiting = null
    try {
      const answer = await fetch(`/colour.json?notation=${encodeURIComponent(asked)}`)
      const said = await answer.json()
      if (sheet() && waiting === null) answer.ok ? settle(asked, said) : complain(said.error)
    } catch {
      if (sheet()) complain("The server does not answer. What you see is not saved")
    }
  }
  asking = false
}

function settle(asked, said) {
  const problem = find("#mix-problem")
  problem.textContent = said.inside ? "Type or paste any notation" : "Outside what a screen can show: the nearest is shown"
  find("#mix-notation").removeAttribute("aria-invalid")
  find("#mix-apply").disabled = false
  find("#mix-hex").textContent = said.hex
  find("#mix-name").textContent = said.name.toLowerCase()
  show(said.hex)
  find("#mix-now").classList.remove("on-light", "on-dark")
  find("#mix-now").classList.add(said.ink)
  for (const model of ["rgb", "hsb"]) {
    tracks(model, said[model])
    const group = find(`[data-model=${model}]`, sheet())
    if (group.contains(document.activeElement)) continue
    for (const input of all("input", group)) input.value = said[model][input.dataset.channel]
  }
  const list = find("#mix-notations")
  if (list) all("dd", list).forEach((entry, index) => { entry.textContent = said.notations[index][1] })
}

function complain(words) {
  find("#mix-problem").textContent = words
  find("#mix-notation").setAttribute("aria-invalid", "true")
  find("#mix-apply").disabled = true
}

// When the sheet opens: tracks from its own numbers.
function open() {
  if (!sheet() || sheet().dataset.ready) return
  sheet().dataset.ready = "true"
  for (const model of ["rgb", "hsb"]) tracks(model, all(`[data-model=${model}] input[type=range]`, sheet()).map(input => input.value))
  sheet().style.setProperty("--mix-now", sheet().dataset.was)
}
document.addEventListener("htmx:after:swap", open)
document.readyState === "loading" ? document.addEventListener("DOMContentLoaded", open) : open()
