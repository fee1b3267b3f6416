// Somebody else did something, or this person in another window: the page follows,
// unless its person is in the middle of something.
import { find, show, shownVersion, typing } from "./page.js"
import { idle } from "./queue.js"
import { here, standing } from "./sending.js"
import { pressing } from "./waiting.js"

const EVERY = 700 // ms: within a second, with the time that the page takes

// What is open, and would be lost or moved under the pointer.
const OPEN = ".chip-ghost, .select-frame, dialog[open], details.drop[open], .hand-menu[open], .group-menu[open], .task, .share, .conflict, [data-shifted], .progress"

function occupied() {
  if (!idle() || pressing() || find(OPEN)) return true
  const field = document.activeElement
  return Boolean(field && typing(field) && !field.closest("#mix") && "defaultValue" in field && field.value !== field.defaultValue)
}

async function look() {
  const address = find("#app")?.dataset.watch, from = here(), seen = shownVersion()
  if (!address || document.hidden || occupied()) return
  const answer = await fetch(address).catch(() => null)
  if (!answer?.ok) return
  const { version } = await answer.json()
  if (version === seen || occupied()) return
  const page = await fetch(from, { headers: { ...standing(), "X-Refresh": "1" } }).then(fresh => fresh.ok ? fresh.text() : null, () => null)
  if (!page || here() !== from || shownVersion() !== seen || occupied()) return
  const notice = find(".notice")
  await show(page)
  if (notice) find("#app").append(notice) // it was not of that page
}

async function watch() {
  await look().catch(() => null)
  setTimeout(watch, EVERY)
}
watch()
