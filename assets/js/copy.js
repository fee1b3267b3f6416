// A click on a notation copies it.
document.addEventListener("click", event => {
  const button = event.target.closest("[data-copy]")
  if (button) copy(button.dataset.copy, button)
})

// @param {HTMLElement} said where "copied" is said
export async function copy(text, said) {
  try {
    await navigator.clipboard.writeText(text)
  } catch {
    copyBySelecting(text)
  }
  said?.classList.add("copied")
  setTimeout(() => said?.classList.remove("copied"), 900)
}

// Where a page may not use the clipboard directly, as on plain http from afar.
function copyBySelecting(text) {
  const field = Object.assign(document.createElement("textarea"), { value: text })
  document.body.append(field)
  field.select()
  document.execCommand("copy")
  field.remove()
}
