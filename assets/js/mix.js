// The Mix sheet. While something is dragged the browser shows the colour by CSS
// functions alone; the numbers of the other models come from the server, one
// question at a time, always the latest.
import { sayLater } from "./announce.js"
import { all, find, whenPageChanges } from "./page.js"
import { onceAFrame, spread } from "./frames.js"
import { SHOWN, WRITE } from "./mix_notations.js"
import { slice } from "./mix_plane.js"
import { standAt, tracks } from "./mix_sliders.js"
import { showFollower, showSwatch } from "./swatch_preview.js"
import { tell } from "./trouble.js"
import { pressing } from "./waiting.js"

export const sheet = () => find("#mix")
let asking = false
let waiting = null
let said = null // the latest answer
export const latest = () => said
let early = [] // what was done before the sheet's first answer
let showing = null // of the swatch, in CSS's words
let left = null // what stood here before a look at the colour before
let steps = [] // notations that were settled on, oldest first
let sheetOf = null
let tracked = 0 // when the sliders that are dragged were drawn last

const OFTEN = 45 // ms between questions: what is dragged is shown without them
const pause = time => new Promise(resolve => setTimeout(resolve, time))

export const notation = () => find("#mix-notation")
const opacity = () => Number(find("input[data-opacity]", sheet()).value)
export const alpha = () => opacity() < 100 ? ` / ${opacity()}%` : ""

document.addEventListener("input", event => {
  if (!event.target.closest?.("#mix")) return
  const group = event.target.closest("fieldset[data-model]")
  if (group && event.target.value !== "") follow(group, event.target)
  else if (event.target === notation()) ask(event.target.value)
  else if ("opacity" in event.target.dataset) fromOpacity(event.target)
})

document.addEventListener("change", event => {
  if (!event.target.closest?.("#mix")) return
  if (event.target.closest("[data-panel-form]")) return
  if (event.target.closest(".mix-form") && !event.target.matches("[name=why], [name=bring_along]")) settled()
})

document.addEventListener("click", event => {
  const button = event.target.closest?.("#mix [data-restore], #mix [data-mix], #bring-in, #mix-now")
  if (!button) return
  if (button.id === "mix-now") return left && take(left)
  left = button.matches(".mix-before") ? notation().value : null
  take(button.id === "bring-in" ? said.hex : button.dataset.restore ?? button.dataset.mix)
})

// What starts from the answer is done at once, or when the first one of this sheet has come.
// @param {Function} act
export const whenSaid = act => said ? act() : early.push(act)

// A notation from elsewhere: a chip, a nudge, the colour before.
export function take(text) {
  notation().value = text
  ask(text)
  settled()
}

// One slider or number moved: its twin follows, the notation says it, the page shows it.
const follow = onceAFrame(fromChannels)
function fromChannels(group, moved) {
  if (!group.isConnected) return
  const model = group.dataset.model
  for (const twin of all(`[data-channel="${moved.dataset.channel}"]`, group)) if (twin !== moved) twin.value = moved.value
  const values = all("input[type=range]", group).map(input => input.value)
  notation().value = WRITE[model](values, alpha())
  if (SHOWN[model]) show(SHOWN[model](values, alpha()), group)
  if (performance.now() - tracked > OFTEN) {
    tracks(group, values, said)
    tracked = performance.now()
  }
  ask(notation().value)
}

function fromOpacity(moved) {
  const { value } = moved
  const same = () => all("[data-opacity]", sheet()).forEach(twin => { twin.value = value })
  same()
  whenSaid(() => {
    same()
    const text = WRITE.oklch(said.channels.oklch, alpha())
    notation().value = text
    show(text)
    ask(text)
  })
}

// Previews on every place that follows the swatch, by its custom property.
// @param {HTMLElement} within the sliders that take its colour at once; the others with the next answer
export function show(css, within = sheet()) {
  const { variable } = sheet().dataset
  showing = css
  if (variable) showSwatch(variable, css)
  for (const element of [find("#slice-mark"), ...all(".track", within)]) element.style.setProperty("--mix-now", css)
  find("#mix-now").style.background = css
}

// A whole colour: it stands, whatever was pressed before it.
export async function ask(text) {
  early = []
  waiting = text
  if (asking) return
  asking = true
  while (waiting !== null) {
    const asked = waiting, next = pause(OFTEN)
    waiting = null
    try {
      const question = new URLSearchParams({ notation: asked, plane: find("#slice")?.dataset.plane ?? "", model: find(".mix-form input[name=model]")?.value ?? "", swatch: sheet().dataset.led ?? "" })
      const answer = await fetch(`/colour.json?${question}`)
      const answered = await answer.json()
      if (sheet() && waiting === null) answer.ok ? settle(answered) : complain(answered.error)
    } catch {
      if (sheet()) complain("The server does not answer. What you see is not saved")
    }
    if (waiting !== null) await next
  }
  asking = false
  record()
}

function settle(answered) {
  said = answered
  find("#mix-problem").textContent = said.inside ? `Read as ${said.read}` : `Read as ${said.read}. Outside what a screen shows: ${said.hex} is the nearest`
  find("#bring-in").hidden = said.inside
  notation().removeAttribute("aria-invalid")
  find("#mix-apply").disabled = false
  find("#mix-hex").textContent = said.hex
  if (document.activeElement === notation()) sayLater(find("#mix-problem").textContent)
  find("#mix-name").textContent = said.name.toLowerCase()
  show(said.hex)
  showFollowers()
  find("#mix-now").classList.remove("on-light", "on-dark")
  find("#mix-now").classList.add(said.ink)
  spread(all("fieldset[data-model]", sheet()).map(group => () => standAt(group, said)))
  for (const input of all("[data-opacity]", sheet())) if (input !== document.activeElement) input.value = Math.round(said.alpha * 100)
  const press = find("#mix-press")
  if (press) Object.assign(press, { textContent: said.press.words, title: said.press.words })
  const list = find("#mix-notations")
  if (list) all("dd", list).forEach((entry, index) => { entry.textContent = said.notations[index][1] })
  slice(said.slice)
  tellSlice()
  sheet().dispatchEvent(new CustomEvent("mix:said", { bubbles: true }))
  for (const act of early.splice(0)) act()
}

const showFollowers = () => Object.entries(said?.followers ?? {}).forEach(([id, hex]) => showFollower(`--swatch-${id}`, hex))

// What comes anew is painted by what stands in the house: it shows what is tried, too.
document.addEventListener("drawing:painted", () => {
  if (!sheet() || !showing) return
  show(showing)
  showFollowers()
})

// What a slider of two directions says is the colour, and where it is.
function tellSlice() {
  const frame = find("#slice")
  if (!frame) return
  frame.setAttribute("aria-valuenow", Math.round(said.slice.across * 100))
  frame.setAttribute("aria-valuetext", `${said.name}, ${said.hex}, across ${Math.round(said.slice.across * 100)}, up ${Math.round(said.slice.up * 100)}`)
}

function complain(words) {
  sayLater(words)
  find("#mix-problem").textContent = words
  find("#bring-in").hidden = true
  notation().setAttribute("aria-invalid", "true")
  find("#mix-apply").disabled = true
}

// What the sheet went through, each to be gone back to.
// A step is what the server last answered once the person let go.
let letGo = false
export function settled() {
  follow.now()
  if (said && find("#slice-image")) slice(said.slice)
  letGo = true
  if (!asking) record()
}

function record() {
  if (!letGo || !sheet() || !said) return
  letGo = false
  if (steps.at(-1) !== said.hex) steps = [...steps, said.hex].slice(-14)
  const id = sheet().dataset.variable.match(/\d+$/)?.[0]
  if (id) document.dispatchEvent(new CustomEvent("swatch:tried", { detail: { [id]: said.hex, ...said.followers } }))
  drawSteps()
}

function drawSteps() {
  find("#mix-steps")?.replaceChildren(...steps.map(hex => {
    const button = Object.assign(document.createElement("button"), { type: "button", title: `Back to ${hex}`, ariaLabel: `Back to ${hex}` })
    button.dataset.restore = hex
    button.style.background = hex
    return button
  }))
}

// What was tried when the page was brought up to date.
let tried = null // { variable, was, text }
document.addEventListener("page:leaving", () => {
  const trying = sheet() && said && said.hex !== sheet().dataset.was
  tried = trying ? { variable: sheet().dataset.variable, was: sheet().dataset.was, text: notation().value } : null
})

// Somebody else gave the swatch another colour while one was tried: it stays, and the
// server asks which is to be, since the form says what it was tried against.
function overtaken() {
  const { variable, was } = sheet().dataset
  if (!tried || tried.variable !== variable || tried.was === was) return false
  notation().value = tried.text
  find("input[name=before]", sheet()).value = tried.was
  tell(`Somebody changed it to ${was} meanwhile. What you try stays; if you apply it, you are asked`, "wrong")
  return true
}

// When the sheet opens, or its page was brought up to date.
whenPageChanges(() => {
  if (!sheet()) {
    sheetOf = said = null
    early = []
    steps = []
    return
  }
  const key = sheet().dataset.variable + sheet().dataset.was
  if (overtaken()) {
    sheetOf = key
    ask(notation().value)
  } else if (sheetOf !== key) {
    sheetOf = key
    said = null
    early = []
    steps = []
    show(sheet().dataset.was)
    ask(notation().value)
  } else if (said) {
    settle(said)
    ask(notation().value)
  }
  drawSteps()
})
