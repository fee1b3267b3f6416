// Files come in by a field, by dropping and by pasting; all end in the same form.
import { find, show, submit } from "./page.js"

document.addEventListener("change", event => {
  if (event.target.matches("input[type=file][data-submit]") && event.target.files.length) send(event.target.form)
})

document.addEventListener("change", event => {
  if (event.target.matches("select[data-submit]")) submit(event.target.form)
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
  hand(event.dataTransfer.files)
})

document.addEventListener("paste", event => {
  if (!event.clipboardData?.files.length) return
  event.preventDefault()
  hand(event.clipboardData.files)
})

const form = () => find("form[data-drop]")

function hand(files) {
  const field = form()?.querySelector("input[type=file]")
  if (!field) return
  const list = new DataTransfer()
  for (const file of files) list.items.add(file)
  field.files = list.files
  send(field.form)
}

// Large pictures take a while on their way, so this one shows how far they are.
function send(form) {
  if (form.dataset.sending) return
  const size = [...form.querySelector("input[type=file]").files].reduce((sum, file) => sum + file.size, 0)
  if (size < 2_000_000) return submit(form)
  form.dataset.sending = "true"
  const bar = Object.assign(document.createElement("div"), { className: "busy-bar" })
  document.body.append(bar)
  const request = new XMLHttpRequest()
  request.open("POST", form.action)
  request.upload.onprogress = event => bar.style.setProperty("--done", event.loaded / event.total)
  request.onloadend = () => {
    bar.remove()
    delete form.dataset.sending
    show(request.responseText)
    if (request.responseURL) history.pushState({ htmx: true }, "", request.responseURL)
  }
  request.send(new FormData(form))
}
