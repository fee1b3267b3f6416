// Files come in by a field, by dropping and by pasting; all end in the same form.
import { renew } from "./once.js"
import { find, submit, visit } from "./page.js"
import { Progress } from "./progress.js"
import { act } from "./queue.js"
import { sendFiles } from "./sending.js"

// Above this a person waits long enough to want to know how far it is.
const LARGE = 2_000_000
const LARGE_DRAWING = 250_000 // bytes: a second's work

document.addEventListener("change", event => {
  if (event.target.matches("input[type=file][data-submit]") && event.target.files.length) send(event.target.form)
})

document.addEventListener("change", event => {
  if (event.target.matches("select[data-submit], input[data-submit]:not([type=file])")) submit(event.target.form)
})

// A photograph just taken comes in as any other picture.
document.addEventListener("change", event => {
  if (event.target.matches("[data-camera]") && event.target.files.length) bringIn(event.target.files)
})

document.addEventListener("dragover", event => {
  if (!event.dataTransfer?.types.includes("Files")) return
  event.preventDefault()
  form()?.classList.add("over")
})

document.addEventListener("dragleave", event => {
  if (!event.relatedTarget) form()?.classList.remove("over")
})

document.addEventListener("drop", event => {
  if (!event.dataTransfer?.files.length) return
  event.preventDefault()
  form()?.classList.remove("over")
  const entries = [...event.dataTransfer.items].map(item => item.webkitGetAsEntry?.()).filter(Boolean)
  if (!entries.some(entry => entry.isDirectory)) return bringIn(event.dataTransfer.files)
  Promise.all(entries.map(within)).then(files => bringIn(files.flat().filter(file => !file.name.startsWith("."))))
})

// @param {FileSystemEntry} entry
// @returns {Promise<File[]>} it, or all that lie in the folder
async function within(entry) {
  if (entry.isFile) return [await new Promise((resolve, reject) => entry.file(resolve, reject))]
  const reader = entry.createReader(), found = []
  for (;;) { // a folder is told a hundred entries at a time
    const some = await new Promise((resolve, reject) => reader.readEntries(resolve, reject))
    if (some.length === 0) return found
    found.push(...(await Promise.all(some.map(within))).flat())
  }
}

document.addEventListener("paste", event => {
  if (!event.clipboardData?.files.length) return
  event.preventDefault()
  bringIn(event.clipboardData.files)
})

const form = () => find("form[data-drop]")

// It may stand elsewhere on the page.
const fieldOf = form => [...form.elements].find(({ type }) => type === "file")

// @param {Iterable<File>} files
// @param {Object} given more fields of the request
export function bringIn(files, given = {}) {
  const field = form() && fieldOf(form())
  if (!field) return
  const list = new DataTransfer()
  for (const file of files) list.items.add(file)
  field.files = list.files
  send(field.form, given)
}

function send(form, given = {}) {
  if (form.dataset.sending) return
  const field = fieldOf(form), files = [...field.files]
  hand(form, files, given)
  field.value = "" // so that the same file can be chosen once more
}

function hand(form, files, given) {
  const pictures = form.action.endsWith("/sources")
  if (pictures && (files.length > 1 || Object.keys(given).length || files[0].size > LARGE)) return oneByOne(form, files, given)
  if (files.reduce((sum, file) => sum + file.size, 0) < (form.action.endsWith("/artworks") ? LARGE_DRAWING : LARGE)) return submit(form)
  whole(form, files)
}

// Pictures one after the other: each is kept or refused by itself, and what has not
// begun can be called off.
async function oneByOne(form, files, given) {
  form.dataset.sending = "true"
  const action = form.action
  const progress = new Progress()
  const came = [], failed = [], before = [] // those that were there already, by number
  for (const [index, file] of files.entries()) {
    if (progress.cancelled) break
    progress.say(`Bringing in ${files.length > 1 ? `${index + 1} of ${files.length}, ` : ""}${file.name}`)
    const body = new FormData()
    body.append("files[]", file)
    body.append("once", crypto.randomUUID())
    for (const [name, value] of Object.entries(given)) body.append(name, value)
    const { ok, refused, later } = await sendFiles(`${action}.json`, body, progress)
    came.push(...ok?.came ?? [])
    failed.push(...ok?.failed ?? [], ...ok?.told ?? [])
    before.push(...ok?.before ?? [])
    if (refused) failed.push(`${file.name}: ${refused}`)
    if (later) failed.push(`${file.name} did not arrive: the server does not answer`)
  }
  progress.end()
  delete form.dataset.sending
  form.reset()
  const names = came.map(source => source.name)
  const last = names.length > 1 ? ` and ${names.pop()}` : ""
  if (names.length) failed.push(`Brought in ${names.join(", ")}${last}`)
  const place = new URL(action).pathname.replace(/sources$/, "gather")
  const shown = came.at(-1)?.id ?? before.at(-1)
  visit(shown ? `${place}?source=${shown}` : place, undefined, [failed.join(". "), failed.length > (came.length ? 1 : 0) + before.length ? "wrong" : "done"])
}

// Any other large file.
function whole(form, files) {
  form.dataset.sending = "true"
  renew(form) // what was called off under the key before is another matter
  const progress = new Progress()
  progress.say(`Bringing in ${files.length > 1 ? `${files.length} files` : files[0].name}`)
  const done = () => {
    progress.end()
    delete form.dataset.sending
  }
  act({ path: new URL(form.action).pathname, files: new FormData(form), progress, done })
}
