// Several lines pasted at once into the notation become finds.
import { find, submit } from "./page.js"
import { notation, sheet } from "./mix.js"

document.addEventListener("paste", event => {
  if (event.target !== notation()) return
  const text = event.clipboardData.getData("text/plain")
  if (text.trim().split(/\n/).length < 2) return
  event.preventDefault()
  const form = Object.assign(document.createElement("form"), { method: "post", action: sheet().dataset.notations })
  for (const [name, value] of [["text", text], ["authenticity_token", find(".mix-form input[name=authenticity_token]").value]]) form.append(Object.assign(document.createElement("textarea"), { name, value }))
  form.hidden = true
  sheet().append(form)
  submit(form)
})
