// Files come in by a field, by dropping and by pasting; all end in the same form.
import { find, show, submit, visit } from "./page.js"

// Above this a person waits long enough to want to know how far it is.
const LARGE = 2_000_000

document.addEventListener("change", event => {
  if (event.target.matches("input[type=file][data-submit]") && event.target.files.length) send(event.target.form)
})

document.addEventListener("change", event => {
  if (event.target.matches("select[data-submit], input[data-submit]:not([type=file])")) submit(event.target.form)
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
  bringIn(event.dataTransfer.files)
})

document.addEventListener("paste", event => {
  if (!event.clipboardData?.files.length) return
  event.preventDefault()
  bringIn(event.clipboardData.files)
})

const form = () => find("form[data-drop]")

// @param {Iterable<File>} files
// @param {Object} given more fields of the request
export function bringIn(files, given = {}) {
  const field = form()?.querySelector("input[type=file]")
  if (!field) return
  const list = new DataTransfer()
  for (const file of files) list.items.add(file)
  field.files = list.files
  send(field.form, given)
}

function send(form, given = {}) {
  if (form.dataset.sending) return
  const files = [...form.querySelector("input[type=file]").files]
  const pictures = form.action.endsWith("/sources")
  if (pictures && (files.length > 1 || Object.keys(given).length || files[0].size > LARGE)) return oneByOne(form, files, given)
  if (files.reduce((sum, file) => sum + file.size, 0) < LARGE) return submit(form)
  whole(form, files)
}

// Pictures one after the other: each is kept or refused by itself, and what has not
// begun can be called off.
async function oneByOne(form, files, given) {
  form.dataset.sending = "true"
  const token = form.elements.authenticity_token.value, action = form.action
  const progress = new Progress()
  const came = [], failed = []
  for (const [index, file] of files.entries()) {
    if (progress.cancelled) break
    progress.say(`Bringing in ${files.length > 1 ? `${index + 1} of ${files.length}, ` : ""}${file.name}`)
    const body = new FormData()
    body.append("authenticity_token", token)
    body.append("files[]", file)
    for (const [name, value] of Object.entries(given)) body.append(name, value)
    const answer = await post(`${action}.json`, body, progress, () => progress.say(`Reading ${file.name}`))
    if (answer) {
      came.push(...answer.came.map(source => source.id))
      failed.push(...answer.failed)
    } else if (!progress.cancelled) failed.push(`${file.name} did not arrive: the server does not answer`)
  }
  progress.end()
  delete form.dataset.sending
  form.reset()
  const said = new URLSearchParams({ came: came.join(",") })
  for (const words of failed) said.append("failed[]", words)
  visit(`${new URL(action).pathname}/arrived?${said}`)
}

// Any other large file.
async function whole(form, files) {
  form.dataset.sending = "true"
  const progress = new Progress()
  progress.say(`Bringing in ${files.length > 1 ? `${files.length} files` : files[0].name}`)
  await post(form.action, new FormData(form), progress, () => progress.say("Reading what came"), request => {
    show(request.responseText)
    history.pushState({ htmx: true }, "", request.responseURL)
  })
  progress.end()
  delete form.dataset.sending
}

// @returns {Promise<Object|null>} the answer's JSON; null when none came
function post(path, body, progress, arrived, settle) {
  return new Promise(resolve => {
    const request = new XMLHttpRequest()
    request.open("POST", path)
    request.upload.onprogress = event => progress.show(event.loaded / event.total)
    request.upload.onload = arrived
    request.onabort = request.onerror = () => resolve(null)
    request.onload = () => {
      if (settle) return resolve(settle(request))
      const said = JSON.parse(request.responseText || "{}")
      resolve(request.status < 400 ? said : { came: [], failed: [said.error ?? "the server refused it"] })
    }
    progress.onCancel = () => request.abort()
    request.send(body)
  })
}

// A bar, what is being done, and a way to call it off.
class Progress {
  constructor() {
    this.cancelled = false
    this.element = Object.assign(document.createElement("div"), { className: "progress", role: "status" })
    this.words = document.createElement("p")
    this.bar = document.createElement("i")
    const cancel = Object.assign(document.createElement("button"), { type: "button", textContent: "Cancel" })
    cancel.addEventListener("click", () => {
      this.cancelled = true
      this.onCancel?.()
    })
    this.element.append(this.words, cancel, this.bar)
    document.body.append(this.element)
  }

  say(words) {
    this.words.textContent = words
    this.show(0)
  }

  show(part) {
    this.bar.style.setProperty("--done", part)
  }

  end() {
    this.element.remove()
  }
}
