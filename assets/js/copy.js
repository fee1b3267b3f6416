// A click on a notation copies it.
document.addEventListener("click", async event => {
  const button = event.target.closest("[data-copy]")
  if (!button) return
  try {
    await navigator.clipboard.writeText(button.dataset.copy)
  } catch {
    copyBySelecting(button.dataset.copy)
  }
  button.classList.add("copied")
  setTimeout(() => button.classList.remove("copied"), 900)
})

// Where a page may not use the clipboard directly, as on plain http from afar.
function copyBySelecting(text) {
  const field = Object.assign(document.createElement("textarea"), { value: text })
  document.body.append(field)
  field.select()
  document.execCommand("copy")
  field.remove()
}
