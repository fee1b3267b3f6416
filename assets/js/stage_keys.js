// Keys on the artwork: walking through parts, giving, clearing, letting go; and the groups
// round what is picked.
import { parts } from "./drawings.js"
import { find, typing } from "./page.js"
import { pick, picked } from "./picks.js"
import { give, host, showGiven, stage, target, tool as inUse } from "./stage.js"
import { onPicture } from "./fill_keys.js"
import { shortcut } from "./shortcuts.js"

const narrower = [] // what was picked before it was widened, latest last
const drawn = () => parts(host()).flatMap((part, number) => part.localName === "stop" ? [] : [number])

document.addEventListener("keydown", event => {
  if (!stage() || event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
  const act = event.target === stage() && { ...onStage, ...(inUse() === "fill" ? onPicture : {}) }[event.key]
  if (!act || find("dialog[open]")) return
  event.preventDefault()
  act(event)
})

const walk = step => () => {
  const numbers = drawn(), last = [...picked()].at(-1), at = numbers.indexOf(last)
  if (numbers.length) pick([numbers[at < 0 ? (step > 0 ? 0 : numbers.length - 1) : (at + step + numbers.length) % numbers.length]])
}

const onStage = {
  ArrowRight: walk(1), ArrowDown: walk(1), ArrowLeft: walk(-1), ArrowUp: walk(-1),
  Enter: event => picked().size && giveTo(target(event.shiftKey)),
  Delete: event => picked().size && give(picked(), target(event.shiftKey), "clear"),
  Escape: () => pick([])
}

// Enter in a number is no press of a button.
document.addEventListener("keydown", event => {
  if (event.key !== "Enter" || !event.target.matches?.("[data-opacity-of], #near-limit")) return
  event.preventDefault()
  event.target.blur()
})

for (const name of ["pick", "sweep", "read", "carry", "fill"]) shortcut(name, () => stage() ? find(`.tool[data-tool="${name}"]`)?.click() : false)
shortcut("target", () => stage() ? find("#target [type=radio]:not(:checked)")?.click() : false)
shortcut("exchange", () => stage() ? find("#exchange")?.click() : false)
shortcut("wider", () => stage() ? wider() : false)
shortcut("narrower", () => stage() ? narrow() : false)

function giveTo(role) {
  showGiven(picked(), role)
  give(picked(), role)
}

// The next group outside that holds more than what is picked.
export function wider() {
  const numbers = [...picked()]
  if (!numbers.length) return
  const all = parts(host())
  for (let group = all[numbers[0]]?.parentElement; group; group = group.parentElement) {
    const within = [...group.querySelectorAll("[data-part]")].map(part => Number(part.dataset.part)).filter(number => all[number].localName !== "stop")
    if (!numbers.every(number => within.includes(number)) || within.length <= numbers.length) continue
    narrower.push(numbers)
    return pick(within)
  }
}

function narrow() {
  const before = narrower.pop()
  if (before) pick(before)
}
