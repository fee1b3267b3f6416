// The Mix sheet. While something is dragged the browser shows the colour by CSS
// functions alone; the numbers of the other models come from the server, one
// question at a time, always the latest.
import { all, find, submit, typing, visit, whenPageChanges } from "./page.js"

const sheet = () => find("#mix")
let asking = false
let waiting = null
let said = null // the latest answer
let left = null // what stood here before a look at the colour before
let steps = [] // notations that were settled on, oldest first
let sheetOf = null

// How each model is written, and how CSS shows it where it can.
const WRITE = {
  rgb: ([r, g, b], a) => `rgb(${r} ${g} ${b}${a})`,
  hsb: ([h, s, v], a) => `hsb(${h} ${s}% ${v}%${a})`,
  hsl: ([h, s, l], a) => `hsl(${h} ${s}% ${l}%${a})`,
  lab: ([l, c, d], a) => `lab(${l} ${c} ${d}${a})`,
  lch: ([l, c, h], a) => `lch(${l} ${c} ${h}${a})`,
  oklch: ([l, c, h], a) => `oklch(${l} ${c} ${h}${a})`,
  cmyk: ([c, m, y, k], a) => `device-cmyk(${c}% ${m}% ${y}% ${k}%${a})`
}
const SHOWN = { ...WRITE, hsb: ([h, s, v], a) => `hwb(${h} calc(${v}% * (100 - ${s}) / 100) calc(100% - ${v}%)${a})`, cmyk: null }
const TRACK_STOPS = 9

// The slice's axes: what a place in it is called. Ranges as the server draws them.
const PLANES = {
  chroma_lightness: (u, v, held) => `oklch(${v.toFixed(4)} ${(u * 0.37).toFixed(4)} ${held})`,
  hue_chroma: (u, v, held) => `oklch(${held} ${(v * 0.37).toFixed(4)} ${(u * 360).toFixed(1)})`,
  a_b: (u, v, held) => `lab(${held} ${(u * 220 - 110).toFixed(1)} ${(v * 220 - 110).toFixed(1)})`,
  saturation_brightness: (u, v, held) => `hsb(${held} ${(u * 100).toFixed(1)}% ${(v * 100).toFixed(1)}%)`
}

const notation = () => find("#mix-notation")
const opacity = () => Number(find("input[data-opacity]", sheet()).value)
const alpha = () => opacity() < 100 ? ` / ${opacity()}%` : ""

document.addEventListener("input", event => {
  if (!event.target.closest?.("#mix")) return
  const group = event.target.closest("fieldset[data-model]")
  if (group && event.target.value !== "") fromChannels(group, event.target)
  else if (event.target === notation()) ask(event.target.value)
  else if ("opacity" in event.target.dataset) fromOpacity(event.target)
  else if (event.target.closest("[data-panel-form]") && event.target.type === "range") askPanel()
})

document.addEventListener("change", event => {
  if (!event.target.closest?.("#mix")) return
  if (event.target.closest("[data-panel-form]")) return askPanel()
  if (event.target.closest("#mix-models")) return chooseModels(event.target)
  if (event.target.closest(".mix-form") && !event.target.matches("[name=why], [name=bring_along]")) settled()
})

document.addEventListener("click", event => {
  const button = event.target.closest?.("#mix [data-restore], #mix [data-mix], #bring-in, #mix-now")
  if (!button) return
  if (button.id === "mix-now") return left && take(left)
  left = button.matches(".mix-before") ? notation().value : null
  take(button.id === "bring-in" ? said.hex : button.dataset.restore ?? button.dataset.mix)
})

// A notation from elsewhere: a chip, a nudge, the colour before.
function take(text) {
  notation().value = text
  ask(text)
  settled()
}

// One slider or number moved: its twin follows, the notation says it, the page shows it.
function fromChannels(group, moved) {
  const model = group.dataset.model
  for (const twin of all(`[data-channel="${moved.dataset.channel}"]`, group)) if (twin !== moved) twin.value = moved.value
  const values = all("input[type=range]", group).map(input => input.value)
  notation().value = WRITE[model](values, alpha())
  if (SHOWN[model]) show(SHOWN[model](values, alpha()))
  tracks(group, values)
  ask(notation().value)
}

function fromOpacity(moved) {
  for (const twin of all("[data-opacity]", sheet())) if (twin !== moved) twin.value = moved.value
  if (!said) return
  const text = WRITE.oklch(said.channels.oklch, alpha())
  notation().value = text
  show(text)
  ask(text)
}

// Previews on every place that follows the swatch, by its custom property.
function show(css) {
  const variable = sheet().dataset.variable
  if (variable) find("#app").style.setProperty(variable, css)
  sheet().style.setProperty("--mix-now", css)
  find("#mix-now").style.background = css
}

// What moving each thumb would give: CSS mixes it, the press's comes from the server.
function tracks(group, values) {
  const model = group.dataset.model
  all("input[type=range]", group).forEach((input, index) => {
    const low = Number(input.min), high = Number(input.max)
    const stops = SHOWN[model]
      ? Array.from({ length: TRACK_STOPS }, (_, n) => SHOWN[model](values.map((value, at) => at === index ? low + (high - low) * n / (TRACK_STOPS - 1) : value), ""))
      : said?.tracks[index] ?? ["#999", "#999"]
    input.style.setProperty("--track", `linear-gradient(90deg, ${stops.join(", ")})`)
  })
}

async function ask(text) {
  waiting = text
  if (asking) return
  asking = true
  while (waiting !== null) {
    const asked = waiting
    waiting = null
    try {
      const question = new URLSearchParams({ notation: asked, plane: find("#slice")?.dataset.plane ?? "", model: find(".mix-form input[name=model]")?.value ?? "" })
      const answer = await fetch(`/colour.json?${question}`)
      const answered = await answer.json()
      if (sheet() && waiting === null) answer.ok ? settle(answered) : complain(answered.error)
    } catch {
      if (sheet()) complain("The server does not answer. What you see is not saved")
    }
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
  find("#mix-name").textContent = said.name.toLowerCase()
  show(said.hex)
  find("#mix-now").classList.remove("on-light", "on-dark")
  find("#mix-now").classList.add(said.ink)
  for (const group of all("fieldset[data-model]", sheet())) {
    const values = said.channels[group.dataset.model]
    tracks(group, values)
    if (!group.contains(document.activeElement)) for (const input of all("input", group)) input.value = values[input.dataset.channel]
    for (const bar of all("[data-range]", group)) {
      const range = said.ranges[group.dataset.model]?.[bar.dataset.range]
      bar.hidden = !range
      if (range) bar.style.inset = `auto ${100 - range[1] * 100}% 0 ${range[0] * 100}%`
    }
  }
  for (const input of all("[data-opacity]", sheet())) if (input !== document.activeElement) input.value = Math.round(said.alpha * 100)
  const press = find("#mix-press")
  if (press) press.textContent = said.press.words
  const list = find("#mix-notations")
  if (list) all("dd", list).forEach((entry, index) => { entry.textContent = said.notations[index][1] })
  slice()
  askPanel()
}

function complain(words) {
  find("#mix-problem").textContent = words
  find("#bring-in").hidden = true
  notation().setAttribute("aria-invalid", "true")
  find("#mix-apply").disabled = true
}

// The plane is drawn by the server; it only changes with what is held.
function slice() {
  const frame = find("#slice"), image = find("#slice-image"), mark = find("#slice-mark")
  const address = `/slice.png?plane=${frame.dataset.plane}&held=${said.slice.held}`
  if (!frame.matches("[data-dragged]") && image.getAttribute("src") !== address) image.src = address
  mark.hidden = false
  mark.style.left = `${said.slice.across * 100}%`
  mark.style.top = `${(1 - said.slice.up) * 100}%`
}

function fromSlice(u, v) {
  const within = value => Math.min(Math.max(value, 0), 1)
  const text = PLANES[find("#slice").dataset.plane](within(u), within(v), said.slice.held)
  notation().value = text
  const mark = find("#slice-mark")
  mark.style.left = `${within(u) * 100}%`
  mark.style.top = `${(1 - within(v)) * 100}%`
  if (!text.startsWith("hsb")) show(text)
  ask(text)
}

const inSlice = event => {
  const box = find("#slice").getBoundingClientRect()
  fromSlice((event.clientX - box.left) / box.width, 1 - (event.clientY - box.top) / box.height)
}

let scrubbing = null // { input, x, value } while a channel's letter is dragged
document.addEventListener("pointerdown", event => {
  if (event.target.closest?.("#slice") && said) {
    event.preventDefault()
    find("#slice").focus({ preventScroll: true })
    find("#slice").dataset.dragged = "true"
    inSlice(event)
  }
  const label = event.target.closest?.("#mix [data-scrub]")
  if (label) {
    event.preventDefault()
    const input = document.getElementById(label.htmlFor)
    scrubbing = { input, x: event.clientX, value: Number(input.value) }
  }
  const nudge = event.target.closest?.("#mix [data-nudge]")
  if (nudge && event.button === 0) hold(nudge.dataset.nudge)
})
document.addEventListener("pointermove", event => {
  if (find("#slice")?.matches("[data-dragged]")) inSlice(event)
  if (!scrubbing) return
  const { input, x, value } = scrubbing
  input.value = value + (event.clientX - x) * Number(input.step || 1) * (event.shiftKey ? 10 : 1)
  input.dispatchEvent(new Event("input", { bubbles: true }))
})
document.addEventListener("pointerup", () => {
  clearInterval(holding)
  if (scrubbing) settled()
  scrubbing = null
  const frame = find("#slice[data-dragged]")
  if (!frame) return
  delete frame.dataset.dragged
  settled()
})

// Nudges by button, held to repeat, and by key.
let holding = null
function hold(step) {
  clearInterval(holding)
  holding = setInterval(() => nudge(step), 220)
}

async function nudge(step, size = find("#nudge-size").value) {
  const question = new URLSearchParams({ notation: notation().value, step, size })
  const answer = await fetch(`/nudge.json?${question}`)
  if (answer.ok && sheet()) take((await answer.json()).notation)
}

document.addEventListener("click", event => {
  const button = event.target.closest?.("#mix [data-nudge]")
  if (button) nudge(button.dataset.nudge)
})

document.addEventListener("keydown", event => {
  if (!sheet() || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.target === find("#slice") && event.key.startsWith("Arrow") && said) {
    event.preventDefault()
    const step = (event.shiftKey ? 10 : 1) / 100, move = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key]
    said.slice.across = Math.min(Math.max(said.slice.across + move[0], 0), 1)
    said.slice.up = Math.min(Math.max(said.slice.up + move[1], 0), 1)
    return fromSlice(said.slice.across, said.slice.up)
  }
  if (event.target.matches("#mix input[type=number]") && event.shiftKey && /Arrow(Up|Down)/.test(event.key)) {
    event.preventDefault()
    event.target.value = Number(event.target.value) + (event.key === "ArrowUp" ? 10 : -10) * Number(event.target.step || 1)
    event.target.dispatchEvent(new Event("input", { bubbles: true }))
    return
  }
  const button = typing(event.target) ? null : all("#mix [data-nudge-key]").find(each => each.dataset.nudgeKey === event.key)
  if (button) nudge(button.dataset.nudge)
})

// On the wheel the base is turned, and any other member sets the spread.
let turning = null // { member, from: degrees where it was taken, base: degrees of the base }
const degreesAt = (wheel, event) => {
  const box = find("svg", wheel).getBoundingClientRect()
  return Math.atan2(box.top + box.height / 2 - event.clientY, event.clientX - box.left - box.width / 2) * 180 / Math.PI
}
const apart = (one, other) => Math.abs((one - other + 540) % 360 - 180)

document.addEventListener("pointerdown", event => {
  const member = event.target.closest?.("[data-member]")
  if (!member) return
  event.preventDefault()
  const wheel = member.closest("[data-wheel]"), base = find("[data-member=base]", wheel)
  turning = { member: member.dataset.member, rule: wheel.dataset.rule, from: degreesAt(wheel, event), base: Math.atan2(-base.getAttribute("cy"), base.getAttribute("cx")) * 180 / Math.PI }
})
document.addEventListener("pointermove", event => {
  const wheel = turning && find("[data-wheel]")
  if (!wheel) return
  turning.to = degreesAt(wheel, event)
  if (turning.member === "base") return
  const field = find("input[name=spread]", sheet()), far = apart(turning.to, turning.base)
  field.value = Math.round(turning.rule !== "analogous" && far > 90 ? 180 - far : far)
  askPanel()
})
document.addEventListener("pointerup", () => {
  if (turning?.member === "base" && turning.to !== undefined) nudge("hue_on", (turning.to - turning.from) / 5)
  turning = null
})

// Several lines pasted at once become finds.
document.addEventListener("paste", event => {
  if (event.target !== notation()) return
  const text = event.clipboardData.getData("text/plain")
  if (text.trim().split(/\n/).length < 2) return
  event.preventDefault()
  const form = Object.assign(document.createElement("form"), { method: "post", action: sheet().dataset.notations })
  for (const [name, value] of [["text", text], ["authenticity_token", find(".mix-form input[name=authenticity_token]").value]]) form.append(Object.assign(document.createElement("textarea"), { name, value }))
  form.hidden = true
  sheet().append(form)
  window.htmx.process(form)
  submit(form)
})

// What the sheet went through, each to be gone back to.
// A step is what the server last answered once the person let go.
let letGo = false
function settled() {
  letGo = true
  if (!asking) record()
}

function record() {
  if (!letGo || !sheet() || !said) return
  letGo = false
  if (steps.at(-1) !== said.hex) steps = [...steps, said.hex].slice(-14)
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

// Which groups of sliders are shown: one to four.
function chooseModels(box) {
  const chosen = all("#mix-models input:checked").map(each => each.value)
  if (chosen.length < 1 || chosen.length > 4) {
    box.checked = !box.checked
    return
  }
  find("#mix-models input[name=models]").value = chosen.join(",")
  submit(find("#mix-models"))
}

// What can be made of the colour, asked for when something settles.
let panelAsking = false, panelWaiting = false
async function askPanel() {
  const panel = find("#mix-panel[data-asks]")
  if (!panel || !said) return
  panelWaiting = true
  if (panelAsking) return
  panelAsking = true
  while (panelWaiting) {
    panelWaiting = false
    if (!said || !panel.isConnected) break
    const question = new URLSearchParams({ notation: WRITE.oklch(said.channels.oklch, alpha()), before: sheet().dataset.was, swatch: sheet().dataset.variable.match(/\d+/)?.[0] ?? "" })
    if (said.inside) question.set("notation", said.hex)
    for (const field of all("[data-panel-form] :is(input, select)", panel)) question.set(field.name, field.value)
    const answer = await fetch(`${sheet().dataset.panels}/${sheet().dataset.panel}?${question}`).catch(() => null)
    if (answer?.ok && panel.isConnected && !panelWaiting) {
      const dragging = document.activeElement?.matches("#mix-panel input[type=range]:active")
      if (dragging) continue
      const text = await answer.text()
      const { name: focused, value: begun } = document.activeElement?.closest("[data-panel-form] *") ?? {}
      const name = find(".keep-row input[name=name]", panel), typed = name && name.value !== name.defaultValue && name.value
      await window.htmx.swap({ text, target: panel, swap: "innerMorph", sourceElement: panel })
      const named = find(".keep-row input[name=name]", panel)
      if (named) named.value = typed || named.getAttribute("value") // a name that was typed stays
      const field = focused && find(`[data-panel-form] [name="${focused}"]`, panel)
      if (field) Object.assign(field, { value: begun }).focus({ preventScroll: true }) // as is what is being typed
    }
  }
  panelAsking = false
}

// When the sheet opens, or its page was brought up to date.
whenPageChanges(() => {
  if (!sheet()) {
    sheetOf = said = null
    steps = []
    return
  }
  const key = sheet().dataset.variable + sheet().dataset.was
  if (sheetOf !== key) {
    sheetOf = key
    steps = []
    sheet().style.setProperty("--mix-now", sheet().dataset.was)
    ask(notation().value)
  } else if (said) {
    settle(said)
    ask(notation().value)
  }
  drawSteps()
})
