// Sends what was done, and asks for pages. What cannot be reached is asked again by
// whoever called; a session that is lost is renewed here.
import { painted } from "./drawings.js"
import { said as picked } from "./picks.js"
import { all, find, hasPage, shownVersion } from "./page.js"

// This window, so that the server can tell its work from that of another.
const WINDOW = [...crypto.getRandomValues(new Uint8Array(8))].map(byte => byte.toString(16).padStart(2, "0")).join("")
const AGAIN = [0, 502, 503, 504] // no answer, or one that says: later
const FORBIDDEN = 403

const token = () => find("input[name=authenticity_token]")?.value ?? ""
export const here = () => location.pathname + location.search
// What the window has picked, for pages that show it.
export const standing = () => ({ "X-Picked": picked() })
const headers = () => ({ ...standing(), "X-CSRF-Token": token(), "X-Window": WINDOW, "X-Seen": shownVersion(), "X-Painted": painted() })

// @param {Object} given at, actions of { path, fields }, then, whole
// @returns {Promise<{ok: Object} | {later: true} | {refused: string}>}
export const sendActions = given => settled(() => fetch("/actions", {
  method: "POST", headers: { "Content-Type": "application/json", ...headers() }, body: JSON.stringify(given)
}).then(response => response.text().then(text => ({ status: response.status, text }))))

// One action with files.
// @param {FormData} files
// @param {Progress} progress
export const sendFiles = (address, files, progress) => settled(() => new Promise((resolve, reject) => {
  const request = new XMLHttpRequest()
  request.open("POST", address)
  for (const [name, value] of Object.entries(headers())) request.setRequestHeader(name, value)
  request.upload.onprogress = event => progress?.show(event.loaded / event.total)
  request.upload.onload = () => progress?.say("Reading what came")
  request.onerror = reject
  request.onabort = () => callOff(address, files.get("once")).then(text => resolve({ status: 499, text }))
  request.onload = () => resolve({ status: request.status, text: request.responseText })
  if (progress) progress.onCancel = () => request.abort()
  request.send(files)
}))

// The server may be at work on it already.
// @returns {Promise<string>} what became of it, in words
async function callOff(address, form) {
  if (!form) return "Called off"
  const path = new URL(address, location.href).searchParams.get("path") ?? address
  const answer = await fetch("/call-off", { method: "POST", headers: headers(), body: new URLSearchParams({ path, form }) }).then(said => said.json(), () => null)
  if (!answer) return "The server does not answer. It may have come in or not: look again in a moment"
  return answer.off ? "Called off. Nothing came in" : "It had come in already. Undo takes it back"
}

async function settled(ask, renewing = true) {
  const { status, text } = await ask().catch(() => ({ status: 0, text: "" }))
  if (AGAIN.includes(status)) return { later: true, words: status === 503 && text.length < 300 ? text : "" }
  if (status === 499) return { refused: text }
  if (status === FORBIDDEN && renewing && await renewSession()) return settled(ask, false)
  if (status === FORBIDDEN) return { refused: "This browser’s session is lost, and no new one can be begun. Allow cookies for this address, then reload the page" }
  const answer = parsed(text)
  if (answer && status < 400) return { ok: answer }
  return { refused: answer?.error ?? (text.trim() && text.length < 300 && !text.includes("<") ? text : `The server gave an answer (${status}) that cannot be read. Nothing was changed`) }
}

function parsed(text) {
  try {
    const answer = JSON.parse(text)
    return typeof answer === "object" ? answer : null
  } catch {
    return null
  }
}

// A page brings a new session and its token.
async function renewSession() {
  const page = await fetch(here()).then(answer => answer.ok ? answer.text() : "", () => "")
  const fresh = page.match(/name="authenticity_token" value="([^"]+)"/)?.[1]
  if (fresh) for (const field of all("input[name=authenticity_token]")) field.value = fresh
  return Boolean(fresh)
}

// @param {string} [parts] ids, with spaces between
// @returns {Promise<{text: string, at: string} | {refused: string} | null>} null where it was called off
export async function getPage(path, parts, signal) {
  try {
    const answer = await fetch(path, { signal, headers: { ...standing(), ...(parts ? { "X-Parts": parts } : {}) } })
    const text = await answer.text(), { pathname, search } = new URL(answer.url)
    if (hasPage(text)) return { text, at: pathname + search }
    return { refused: text.trim() && text.length < 300 ? text : `The server gave an answer (${answer.status}) that is not a page` }
  } catch (error) {
    return error.name === "AbortError" ? null : { refused: "The server does not answer. Try again when it runs" }
  }
}
