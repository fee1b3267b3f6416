// A form has a key, and what arrives twice under one key happens once. A second click on
// the same button, with nothing done between, is the same; anything else that is sent from the same form is not, and
// where each click is meant, as in undoing, the form says so.
const SAME = 1000 // ms

const sent = new WeakMap() // form → { what, at }
let latest = null // the form that was sent last

export function renew(form) {
  const key = form.elements.once
  if (key) key.value = [...crypto.getRandomValues(new Uint8Array(8))].map(byte => byte.toString(16).padStart(2, "0")).join("")
  sent.delete(form)
}

document.addEventListener("submit", event => {
  const form = event.target
  if (!form.elements.once) return
  const values = [...new FormData(form, event.submitter)].filter(([name, value]) => name !== "once" && typeof value === "string")
  const what = `${form.action}?${new URLSearchParams(values)}`, last = sent.get(form)
  if (last && (form !== latest || "each" in form.dataset || last.what !== what || event.timeStamp - last.at > SAME)) renew(form)
  sent.set(form, { what, at: event.timeStamp })
  latest = form
}, true)
