// One Tab stop for what belongs together, and arrow keys within it (WAI-ARIA Authoring
// Practices, "roving tabindex"). A set is marked data-roving="its name"; its members are the
// buttons and links in it, or what its data-members selects. Arrow keys go to the nearest
// member that way, Home and End to the first and last.
import { all, typing, whenPageChanges } from "./page.js"
import { usable } from "./stops.js"

const MEMBERS = "button, a[href]"
const last = new Map() // name of a set → { key, index } of the member that had the focus last

const setOf = element => element.closest?.("[data-roving]")
export const membersOf = set => all(set.dataset.members ?? MEMBERS, set).filter(member => setOf(member) === set)
const isMember = (element, set) => element.matches(set.dataset.members ?? MEMBERS)

// What tells a member from the others, also on the page that comes next.
const keyOf = member => member.dataset.chip ?? member.dataset.dot ?? member.dataset.pin ?? (member.id || member.dataset.field && member.getAttribute("aria-label") || (member.name && `${member.name}=${member.value}`) || member.getAttribute("href") || member.textContent)

// Menus beside them are members, too, but not what one comes for.
const firstOf = members => members.find(member => usable(member) && member.localName !== "summary") ?? members.find(usable)

const CHOSEN = "[aria-selected=true], [aria-pressed=true], [aria-current]:not([aria-current=false]), [aria-checked=true]"

// The member that Tab comes to: the one that had the focus last, what is chosen, the first.
// @returns {Element|undefined}
export function currentOf(set, members = membersOf(set)) {
  const { key } = last.get(set.dataset.roving) ?? {}
  return (key && members.find(member => keyOf(member) === key)) || members.find(member => member.matches(CHOSEN)) || firstOf(members)
}

// The member that had the focus last, or what stands in its place since it is gone.
// @param {Element} set
export function lastIn(set) {
  const { key, index = 0 } = last.get(set.dataset.roving) ?? {}, members = membersOf(set).filter(usable)
  return members.find(member => keyOf(member) === key) ?? members[Math.min(index, members.length - 1)]
}

function settle(set) {
  const members = membersOf(set), current = members.includes(document.activeElement) ? document.activeElement : currentOf(set, members)
  for (const member of members) if (member !== current && member.getAttribute("tabindex") !== "-1") member.setAttribute("tabindex", "-1")
  if (current?.getAttribute("tabindex") !== "0") current?.setAttribute("tabindex", "0")
}

document.addEventListener("focusin", event => {
  const set = setOf(event.target)
  if (!set || !isMember(event.target, set)) return
  for (const other of all("[tabindex='0']", set)) if (other !== event.target && isMember(other, set) && setOf(other) === set) other.setAttribute("tabindex", "-1")
  event.target.setAttribute("tabindex", "0")
  last.set(set.dataset.roving, { key: keyOf(event.target), index: membersOf(set).indexOf(event.target) })
})

document.addEventListener("keydown", event => {
  const set = setOf(event.target)
  if (!set || event.defaultPrevented || event.altKey || event.ctrlKey || event.metaKey || !isMember(event.target, set) || !leaves(event.target, event.key)) return
  const next = nextOf(event.target, membersOf(set).filter(usable), event.key)
  if (!next) return
  event.preventDefault()
  next.focus()
  if (next.localName === "input") next.select()
})

// A field is left by the arrow keys that it has no use for.
function leaves(field, key) {
  if (!typing(field)) return true
  if (field.localName === "select") return key === "ArrowLeft" || key === "ArrowRight"
  if (key === "ArrowUp" || key === "ArrowDown") return true
  const { selectionStart: start, selectionEnd: end, value } = field
  const all = start === 0 && end === value.length
  return key === "ArrowLeft" ? all || end === 0 : key === "ArrowRight" ? all || start === value.length : false
}

const WAYS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }

function nextOf(member, members, key) {
  if (key === "Home") return firstOf(members)
  if (key === "End") return members.at(-1)
  return WAYS[key] && nearest(member, members, WAYS[key])
}

// Left and right go to the neighbours in a line, up and down to the nearest above and below.
function nearest(member, members, [across, down]) {
  const here = member.getBoundingClientRect()
  return members
    .map(stop => ({ stop, box: stop.getBoundingClientRect() }))
    .map(({ stop, box }) => ({ stop, x: box.x + box.width / 2 - here.x - here.width / 2, y: box.y + box.height / 2 - here.y - here.height / 2 }))
    .filter(({ x, y }) => across ? x * across > 4 && Math.abs(y) < Math.max(here.height / 2, 12) : y * down > 4)
    .sort((a, b) => Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y))[0]?.stop
}

export function settleAll() {
  for (const set of all("[data-roving]")) settle(set)
}

// What comes after the page has its stop as well; and what is brought up to date in its place,
// which the server knows no stops of.
const brings = node => node.nodeType === 1 && (node.closest("[data-roving]") || node.querySelector("[data-roving]"))
const loses = ({ type, target }) => type === "attributes" && !target.hasAttribute("tabindex") && setOf(target)
let waiting = false
new MutationObserver(changes => {
  if (waiting || !changes.some(change => loses(change) || [...change.addedNodes].some(brings))) return
  waiting = true
  queueMicrotask(() => { waiting = false; settleAll() })
}).observe(document.documentElement, { childList: true, subtree: true, attributeFilter: ["tabindex"] })
whenPageChanges(settleAll)
