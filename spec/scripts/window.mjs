// A window without a browser, for the scripts of the application: what they are written
// against, and no layout. Where something lies is said by the test. Each file of tests is a
// process of its own, so what a module remembers is of its file only.
import { register } from "node:module"
import assert from "node:assert/strict"
import { afterEach, mock } from "node:test"
import { GlobalRegistrator } from "@happy-dom/global-registrator"

register("./htmx_hooks.mjs", import.meta.url)
GlobalRegistrator.register({ url: "http://localhost/projects/1/palettes", width: 1280, height: 800 })
// What htmx and the modules ask for at once, and this window lacks.
globalThis.XPathEvaluator = class { createExpression() { return { evaluate: () => ({ iterateNext: () => null }) } } }
globalThis.requestIdleCallback = run => setTimeout(run)
// A form that is sent by a script has no button that sent it; here it would be the form.
HTMLFormElement.prototype.requestSubmit = function (submitter = null) {
  this.dispatchEvent(new SubmitEvent("submit", { bubbles: true, cancelable: true, submitter }))
}

// An error in a listener is one of the test in which it came.
const errors = []
addEventListener("error", event => errors.push(event.error ?? event.message))
afterEach(() => assert.deepEqual(errors.splice(0), []))

// @param {string} path from assets/js
// @returns {Promise<Object>} what it exports
export const script = path => import(new URL(`../../assets/js/${path}`, import.meta.url))

// The page is this from now on.
export function page(html, { version = "1-1-1", path } = {}) {
  if (path) history.replaceState({}, "", path)
  document.body.innerHTML = `<div id="app" data-version="${version}"><input type="hidden" name="authenticity_token" value="token-1">${html}</div>`
}

// A page as the server sends it.
export const whole = (html, { title = "Palettes", version = "1-1-1" } = {}) =>
  `<html><head><title>${title}</title></head><body><div id="app" data-version="${version}"><input type="hidden" name="authenticity_token" value="token-1">${html}</div></body></html>`

export const $ = selector => document.querySelector(selector)

// Something lies there: [left, top, width, height].
export function lies(element, [left, top, width, height]) {
  element.getBoundingClientRect = () => ({ x: left, y: top, left, top, width, height, right: left + width, bottom: top + height })
  Object.defineProperties(element, { clientWidth: { value: width, configurable: true }, clientHeight: { value: height, configurable: true } })
  return element
}

// @returns {boolean} was it left to the browser?
export const press = (key, target = document.activeElement, more = {}) =>
  target.dispatchEvent(new KeyboardEvent("keydown", { key, code: key, bubbles: true, cancelable: true, ...more }))

export const letGo = (key, target = document.activeElement) => target.dispatchEvent(new KeyboardEvent("keyup", { key, code: key, bubbles: true }))

export const pointer = (type, target, x, y, more = {}) =>
  target.dispatchEvent(Object.assign(new PointerEvent(`pointer${type}`, { bubbles: true, cancelable: true, clientX: x, clientY: y, button: 0, isPrimary: true, pointerId: 1, ...more }), { buttons: type === "up" ? 0 : 1 }))

// Whatever waits for nothing but its turn has had it.
export async function soon() {
  for (let turn = 0; turn < 20; turn++) await new Promise(go => setImmediate(go))
}

// The server: what it was asked, and what it answers, one answer after the other.
export class Server {
  constructor() {
    this.asked = []
    this.answers = []
    this.usual = () => ({ status: 500, text: "" })
    globalThis.fetch = mock.fn((address, given = {}) => this.answer(String(address), given))
  }

  // @param {...(Object|Function)} answers { status, text, at } or what makes one of what is asked
  will(...answers) {
    this.answers.push(...answers)
    return this
  }

  async answer(address, given) {
    const asked = { address, method: given.method ?? "GET", headers: given.headers ?? {}, body: parsed(given.body) }
    this.asked.push(asked)
    const next = this.answers.shift() ?? this.usual
    const { status = 200, text = "", at = address, lost } = await (typeof next === "function" ? next(asked, given) : next)
    if (given.signal?.aborted) throw new DOMException("called off", "AbortError")
    if (lost) throw new TypeError("Failed to fetch")
    return { status, ok: status < 400, url: new URL(at, location.href).href, text: async () => text, json: async () => JSON.parse(text) }
  }
}

function parsed(body) {
  if (typeof body !== "string") return body
  try {
    return JSON.parse(body)
  } catch {
    return body
  }
}

// What numbers are when they are as near as a screen can tell.
export const near = (one, other, within = 1e-9) => one.length === other.length && one.every((value, index) => Math.abs(value - other[index]) <= within)
