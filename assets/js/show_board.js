// A board that fills the screen: arrow keys flip through its grounds, C sets two side by side.
// It is a file of its own, since a client's page has nothing else.
const find = (selector, within = document) => within.querySelector(selector)

let at = 0, two = false

const board = () => find("#show-board")
const grounds = () => [...board().querySelectorAll("section")]

function show() {
  const list = grounds(), beside = two && list.length > 1 ? (at + 1) % list.length : null
  list.forEach((ground, number) => { ground.hidden = number !== at && number !== beside })
  board().dataset.two = beside !== null
  find("#show-name").textContent = [at, beside].filter(number => number !== null).map(number => find("title", list[number]).textContent.replace(/^.*, /, "")).join(" · ")
  find("#show-two").setAttribute("aria-pressed", two)
  find("#show-two").hidden = list.length < 2
}

function flip(by) {
  const count = grounds().length
  at = (at + by + count) % count
  show()
}

function compare() {
  two = !two
  show()
}

at = Math.max(0, grounds().findIndex(ground => !ground.hidden)) // a module runs when the page has come
show()
board().focus()

document.addEventListener("keydown", event => {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const keys = { ArrowRight: () => flip(1), ArrowLeft: () => flip(-1), Home: () => flip(-at), c: () => event.target === board() && compare(), Escape: () => { if (board().dataset.back) location.assign(board().dataset.back) } }
  const key = keys[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!key || event.target.matches("button") && event.key === " ") return
  event.preventDefault()
  event.stopImmediatePropagation()
  key()
}, true)

document.addEventListener("click", event => {
  const by = event.target.closest?.("[data-flip]")?.dataset.flip
  if (by) flip(Number(by))
  else if (event.target.id === "show-two") compare()
})
