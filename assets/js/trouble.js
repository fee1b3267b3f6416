// An answer that is no page of ours, or no answer at all: say so, keep the page.
document.addEventListener("htmx:before:swap", event => {
  const text = event.detail?.ctx?.text
  if (typeof text !== "string" || text.includes('id="app"') || text.includes("data-fragment")) return
  event.preventDefault()
  tell(text.trim() && text.length < 300 ? text : "The server gave an answer that is not a page. Nothing was changed")
})

document.addEventListener("htmx:error", event => {
  const error = event.detail?.error ?? event.detail?.ctx?.error
  if (error instanceof TypeError) tell("The server does not answer. What you did last was not saved; try again when it runs")
})

function tell(words) {
  document.querySelector(".notice")?.remove()
  const notice = Object.assign(document.createElement("div"), { className: "notice notice-wrong", role: "alert" })
  notice.append(Object.assign(document.createElement("p"), { textContent: words }))
  notice.append(Object.assign(document.createElement("button"), { type: "button", textContent: "Close" }))
  notice.lastChild.dataset.dismiss = ""
  document.querySelector("#app").append(notice)
}
