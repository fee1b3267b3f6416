// A click on a notation copies it.
document.addEventListener("click", event => {
  const button = event.target.closest("[data-copy]")
  if (button) copy(button.dataset.copy, button)
})

// A click on a file's button copies all of the file, of which the page shows the beginning.
document.addEventListener("click", async event => {
  const button = event.target.closest("[data-copy-url]")
  if (!button) return
  const answer = await fetch(button.dataset.copyUrl)
  if (answer.ok) copy(await answer.text(), button)
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
