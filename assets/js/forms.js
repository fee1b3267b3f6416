// Forms and links go through the queue; the browser leaves the page for none of them.
import { visit } from "./page.js"
import { act } from "./queue.js"

document.addEventListener("submit", event => {
  const form = event.target, submitter = event.submitter
  if (event.defaultPrevented || form.getAttribute("method") === "dialog") return
  event.preventDefault()
  const data = new FormData(form, submitter), path = new URL(submitter?.getAttribute("formaction") ?? form.getAttribute("action") ?? "", location.href)
  if (form.getAttribute("method") !== "post") {
    path.search = new URLSearchParams(data)
    return visit(path.pathname + path.search)
  }
  const address = path.pathname + path.search
  if (form.enctype === "multipart/form-data") act({ path: address, files: data, progress: form.progress })
  else act({ path: address, fields: [...data].filter(([, value]) => typeof value === "string") })
}, true)

document.addEventListener("click", event => {
  const link = event.target.closest?.("a[href]")
  if (!link || event.defaultPrevented || event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return
  if (link.origin !== location.origin || link.target || link.hasAttribute("download") || link.getAttribute("href").startsWith("#")) return
  event.preventDefault()
  visit(link.pathname + link.search, link.dataset.parts)
})
