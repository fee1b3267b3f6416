// What can be made of the colour: the panels of the Mix sheet, and the wheel.
import htmx from "htmx.org"
import { all, find } from "./page.js"
import { alpha, latest, sheet } from "./mix.js"
import { WRITE } from "./mix_notations.js"
import { nudge } from "./mix_slice.js"

document.addEventListener("mix:said", () => askPanel())
document.addEventListener("input", event => { if (event.target.matches?.("#mix [data-panel-form] input[type=range]")) askPanel() })
document.addEventListener("change", event => { if (event.target.closest?.("#mix [data-panel-form]")) askPanel() })

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
document.addEventListener("pointercancel", () => { turning = null })
document.addEventListener("pointerup", () => {
  if (turning?.member === "base" && turning.to !== undefined) nudge("hue_on", (turning.to - turning.from) / 5)
  turning = null
})

const AGAIN = 1000 // ms after which a panel that did not come is asked for once more

// What can be made of the colour, asked for when something settles.
let panelAsking = false, panelWaiting = false
const asks = () => find("#mix-panel[data-asks]")
async function askPanel() {
  if (!asks() || !latest()) return
  panelWaiting = true
  if (panelAsking) return
  panelAsking = true
  while (panelWaiting) {
    panelWaiting = false
    const panel = asks() // another, where the sheet was closed and opened meanwhile
    if (!panel || !latest()) break
    const question = new URLSearchParams({ notation: WRITE.oklch(latest().channels.oklch, alpha()), before: sheet().dataset.was, swatch: sheet().dataset.variable.match(/\d+/)?.[0] ?? "" })
    if (latest().inside) question.set("notation", latest().hex)
    for (const field of all("[data-panel-form] :is(input, select)", panel)) question.set(field.name, field.value)
    const answer = await fetch(`${sheet().dataset.panels}/${sheet().dataset.panel}?${question}`).catch(() => null)
    if (!answer || answer.status >= 500) {
      await new Promise(resolve => setTimeout(resolve, AGAIN))
      panelWaiting = true
    } else if (answer.ok && panel.isConnected && !panelWaiting) {
      const dragging = document.activeElement?.matches("#mix-panel input[type=range]:active")
      if (dragging) continue
      const text = await answer.text()
      const { name: focused, value: begun } = document.activeElement?.closest("[data-panel-form] *") ?? {}
      const name = find(".keep-row input[name=name]", panel), typed = name && name.value !== name.defaultValue && name.value
      await htmx.swap({ text, target: panel, swap: "innerMorph", sourceElement: panel })
      const named = find(".keep-row input[name=name]", panel)
      if (named) named.value = typed || named.getAttribute("value") // a name that was typed stays
      const field = focused && find(`[data-panel-form] [name="${focused}"]`, panel)
      if (field) Object.assign(field, { value: begun }).focus({ preventScroll: true }) // as is what is being typed
    }
  }
  panelAsking = false
}
