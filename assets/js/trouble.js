// Words of the application, in the place where the server's stand.
// @param {string} kind "done" or "wrong"
// @param {[string, Function][]} [ways] what can be done about it: labels, and what they do
export function tell(words, kind = "done", ways = []) {
  document.querySelector(".notice")?.remove()
  const notice = Object.assign(document.createElement("section"), { className: `notice notice-${kind}`, ariaLabel: "Notice" })
  notice.append(Object.assign(document.createElement("p"), { textContent: words }))
  for (const [label, act] of ways) {
    const button = Object.assign(document.createElement("button"), { type: "button", textContent: label })
    button.addEventListener("click", act)
    notice.append(button)
  }
  if (ways.length === 0) {
    notice.append(Object.assign(document.createElement("button"), { type: "button", textContent: "Close" }))
    notice.lastChild.dataset.dismiss = ""
  }
  document.querySelector("#app").append(notice)
  return notice
}

// Several at once: what went wrong must not be covered by what went well.
export function tellAll(told) {
  const wrong = told.filter(([, kind]) => kind === "wrong")
  if (wrong.length) tell([...new Set(wrong.map(([words]) => words))].join(". "), "wrong")
  else if (told.length) tell(told.at(-1)[0], told.at(-1)[1])
}
