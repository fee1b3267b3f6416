// Small helpers that the modules share, and bringing the page up to date.
import htmx from "htmx.org" // in the same file: where it came by itself and was missing, half of a page worked
import { renew } from "./once.js"

export const find = (selector, within = document) => within.querySelector(selector)
export const all = (selector, within = document) => [...within.querySelectorAll(selector)]

// Runs after each time that the page or some of its parts were brought up to date, and now.
export function whenPageChanges(run) {
  document.addEventListener("page:shown", run)
  document.readyState === "loading" ? document.addEventListener("DOMContentLoaded", () => run()) : run()
}

// Sends a form as a click on its button would. Each time is meant.
export function submit(form) {
  renew(form)
  form.requestSubmit()
}

// Goes to an address of this site, once what was done before has arrived.
// @param {string} [parts] ids of the parts of the page that differ there
// @param {[string, string]} [said] what is told once it is there, and of which kind
export function visit(path, parts, said) {
  document.dispatchEvent(new CustomEvent("page:visit", { detail: { path, parts, said } }))
}

// Brings parts of the page up to date, of where it goes by then: nobody is called back.
// @param {string} parts ids
export function anew(parts) {
  document.dispatchEvent(new CustomEvent("page:visit", { detail: { parts } }))
}

const swap = (text, selector, style) => htmx.swap({ text, target: selector, select: selector, swap: style, sourceElement: document.body })

// Brings the page up to date, or those of its parts that came.
// @param {string} text HTML
// @param {string[]} [parts] their ids
export async function show(text, parts) {
  document.dispatchEvent(new CustomEvent("page:leaving"))
  const title = text.match(/<title>([^<]*)/)?.[1]
  if (title) document.title = Object.assign(document.createElement("textarea"), { innerHTML: title }).value
  if (!parts) await swap(text, "#app", "outerMorph")
  else {
    const opened = all("details[open][id]").map(({ id }) => id)
    for (const part of parts) if (text.includes(`id="${part}"`)) await swap(text, `#${part}`, "outerMorph")
    for (const id of opened) if (find(`#${id}`)) find(`#${id}`).open = true // what was opened meanwhile
    const version = text.match(/data-version="([\d-]+)"/)?.[1]
    // But for the hand, or for what this window did, nothing else happened.
    if (parts.includes("changes") || version?.replace(/\d+$/, "") === shownVersion().replace(/\d+$/, "")) find("#app").dataset.version = version
  }
  document.dispatchEvent(new CustomEvent("page:shown"))
}

// How far the page has seen what happens in the house.
export const shownVersion = () => find("#app")?.dataset.version ?? ""

export const hasPage = text => text.includes('id="app"') || text.includes("data-parts")

// Fetches what takes a moment into its place.
export async function bring(place, path) {
  const answer = await fetch(path).catch(() => null)
  const text = answer?.ok ? await answer.text() : null
  if (!place.isConnected) return // the page was left meanwhile
  if (text) swap(text, `#${place.id}`, "outerHTML")
  else place.textContent = "The server does not answer."
}

export const typing = target => target.closest("input:not([type=range], [type=radio], [type=checkbox]), textarea, select, [contenteditable]") !== null
