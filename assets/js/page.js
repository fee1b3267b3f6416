// Small helpers that the modules share.
import { renew } from "./once.js"

export const find = (selector, within = document) => within.querySelector(selector)
export const all = (selector, within = document) => [...within.querySelectorAll(selector)]

// Whether a swap was of the page, not of a part that came after it.
const ofPage = ({ target }) => !target || ["#app", "body"].includes(typeof target === "string" ? target : target.id ? `#${target.id}` : target.localName)

// Runs after each time that the page was brought up to date, and now.
export function whenPageChanges(run) {
  document.addEventListener("htmx:after:swap", event => { if (ofPage(event.detail.ctx)) run() })
  document.readyState === "loading" ? document.addEventListener("DOMContentLoaded", () => run()) : run()
}

// Submits a form through htmx, as a click on its button would. Each time is meant.
export function submit(form) {
  renew(form)
  form.requestSubmit()
}

// Goes to an address of this site and brings the page up to date.
export function visit(path) {
  window.htmx.ajax("GET", path, { target: "#app", select: "#app", swap: "outerMorph" }).then(() => history.pushState({ htmx: true }, "", path))
}

// Brings the page up to date with an answer that was asked for without htmx.
export function show(text) {
  window.htmx.swap({ text, target: "#app", select: "#app", swap: "outerMorph", sourceElement: document.body })
}

// Fetches what takes a moment into its place.
export async function bring(place, path) {
  const answer = await fetch(path).catch(() => null)
  const text = answer?.ok ? await answer.text() : null
  if (!place.isConnected || !window.htmx) return // the page was left meanwhile
  if (text) window.htmx.swap({ text, target: `#${place.id}`, select: `#${place.id}`, swap: "outerHTML", sourceElement: document.body })
  else place.textContent = "The server does not answer."
}

export const typing = target => target.closest("input:not([type=range], [type=radio], [type=checkbox]), textarea, select, [contenteditable]") !== null
