// What is taken in hand is shown there at once.
import { all, find } from "./page.js"
import { picked } from "./picks.js"
import { preview, previewText } from "./previews.js"

document.addEventListener("submit", event => {
  if (event.target.matches("#hold, [data-holds], .rack-typed") && find("#stage")) event.target.elements.to.value = wayOn()
  const { pathname } = new URL(event.target.getAttribute("action") ?? "", location.href)
  if (pathname.endsWith("/hand/swap")) swap()
  else if (pathname.endsWith("/hand")) hold(event.submitter ?? document.activeElement?.closest("[data-dot]"))
}, true)

// Who takes a swatch in hand in Dress goes on sweeping with it, unless parts are picked,
// which it is for, or test patches are laid.
function wayOn() {
  const way = new URL(location.href)
  if (picked().size === 0 && find(".dress").dataset.tool !== "patch") way.searchParams.set("tool", "sweep")
  return way.pathname + way.search
}

// A chip, a find or a dot says "Ember sky #E46F58", and more.
function hold(from) {
  const said = from && (from.getAttribute("aria-label") ?? from.title ?? "").replace(/^Hold /, "") || from?.textContent.trim().replace(/^Hold /, "")
  const [, name, hex] = said?.match(/^(.*) (#[0-9A-F]{6,8})\b/s) ?? []
  if (!hex || !find("#in-hand")) return
  before()
  now(from.style.background || hex, name, hex)
  for (const other of all(".rack-chip[aria-selected=true], .find[aria-selected=true]")) preview(other, "aria-selected", "false")
  if (from.matches(".rack-chip, .find")) preview(from, "aria-selected", "true")
}

function swap() {
  const last = find("#in-hand-before")
  if (!last?.dataset.hex) return
  const { background } = last.style, { name, hex } = last.dataset
  before()
  now(background, name, hex)
}

function now(background, name, hex) {
  preview(find("#in-hand"), "style", `background:${background}`)
  previewText(find(".hand-name"), name)
  previewText(find(".hand-now .copy"), hex)
  preview(find(".drop-shape"), "class", "drop-shape")
  if (find("#keep")) preview(find("#keep"), "disabled", null)
}

// What was in hand lies below from now on.
function before() {
  const last = find("#in-hand-before"), hex = find(".hand-now .copy").textContent
  if (!hex) return
  preview(last, "style", `background:${find("#in-hand").style.background}`)
  preview(last, "data-name", find(".hand-name").textContent)
  preview(last, "data-hex", hex)
  preview(find("#swap"), "disabled", null)
}
