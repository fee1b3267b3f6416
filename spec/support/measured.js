// What is cut, out of reach, covered or too small in the window as it is, in words.
(coarse => {
  const seen = element => element.checkVisibility({ visibilityProperty: true, opacityProperty: false }) && !element.closest(".sr-only, dialog:not([open]), [hidden], .skips")
  const called = element => `${element.localName}${element.id ? `#${element.id}` : ""}${element.getAttribute("class") ? `.${element.getAttribute("class").trim().split(/\s+/)[0]}` : ""}`
  const words = element => `${called(element.parentElement)} > ${called(element)} “${(element.textContent || element.ariaLabel || element.title || element.name || "").trim().replace(/\s+/g, " ").slice(0, 40)}”`
  const modal = document.querySelector("dialog[open]") ?? document.body
  const found = []

  // Text that something clips, unless it ends in an ellipsis and is told whole in a title.
  const lines = document.createTreeWalker(modal, NodeFilter.SHOW_TEXT), known = new Map()
  const lies = element => { // what is asked of each element that texts lie in
    if (known.has(element)) return known.get(element)
    const { overflowX, overflowY, textOverflow, webkitLineClamp, display, position } = getComputedStyle(element)
    const scrolls = way => way === "auto" || way === "scroll", clips = way => way === "hidden" || way === "clip"
    const told = {
      at: element.getBoundingClientRect(), across: !scrolls(overflowX), down: !scrolls(overflowY), clipsX: clips(overflowX), clipsY: clips(overflowY),
      ends: textOverflow === "ellipsis", clamps: webkitLineClamp !== "none", fixed: position === "fixed",
      pressed: element.matches("a, button, summary, label") && display !== "inline"
    }
    known.set(element, told)
    return told
  }
  while (lines.nextNode()) {
    const node = lines.currentNode, parent = node.parentElement
    if (!node.data.trim() || !seen(parent) || parent.closest("svg, select, textarea, [data-drawing]")) continue
    const range = document.createRange()
    range.selectNodeContents(node)
    const box = range.getBoundingClientRect()
    if (box.width < 1) continue
    let across = true, down = true
    for (let around = parent; around && (across || down); around = around.parentElement) {
      const it = lies(around), edge = around === document.body ? { left: 0, top: 0, right: innerWidth, bottom: innerHeight } : it.at
      across &&= it.across
      down &&= it.down
      const wide = across && it.clipsX && (box.right > edge.right + 1.5 || box.left < edge.left - 1.5)
      const tall = down && it.clipsY && (box.bottom > edge.bottom + 3 || box.top < edge.top - 3)
      if (wide || tall) {
        if (!(it.ends && wide && !tall || it.clamps)) found.push(`cut by ${called(around)}: ${words(parent)}`)
        else if (!parent.closest("[title]") && !around.querySelector("[title]")) found.push(`shortened and told nowhere: ${words(parent)}`)
        break
      }
      if (it.pressed && box.right > it.at.right + 2.5) {
        found.push(`runs out by ${Math.round(box.right - it.at.right)}: ${words(parent)}`)
        break
      }
      if (it.fixed) break
    }
  }

  // What is used: it can be scrolled to, nothing lies on it, and it is large enough.
  const ESSENTIAL = "[data-dot], [data-handle], .handles *, .test-patch, .member, main" // where they lie is what they say
  const FLOATING = ".drop-sheet, .hand-sheet, .menu, .mix-models > div, .notice, #mix, .hand, .side:has(> .opened), .mix-commit, .share-commit, .rack"
  const least = coarse ? 44 : 24
  const kinds = new Map()
  for (const element of modal.querySelectorAll("a[href], button, input:not([type=hidden]), select, textarea, summary, [role=option], [role=slider]")) {
    if (element.disabled || !seen(element) || element.matches(ESSENTIAL)) continue
    const kind = `${called(element.parentElement)} ${called(element)}`
    kinds.set(kind, [...kinds.get(kind) ?? [], element])
  }
  // Of many alike the first, the last and two between them stand for all.
  const some = list => list.length < 7 ? list : [list[0], list[1], list[Math.floor(list.length / 2)], list.at(-1)]
  const inside = (x, y) => x >= 0 && y >= 0 && x <= innerWidth && y <= innerHeight
  const middle = target => target.getBoundingClientRect().toJSON(), x = box => box.x + box.width / 2, y = box => box.y + box.height / 2
  const isHit = (target, label, hit) => target.contains(hit) || hit.contains(target) && !hit.matches("a, button") || hit.closest("label") === label && label
  for (const element of [...kinds.values()].flatMap(some)) {
    const label = element.matches("input[type=radio], input[type=checkbox], input[type=file]") ? element.closest("label") : null
    const target = label ?? element
    let box = middle(target), hit = inside(x(box), y(box)) ? document.elementFromPoint(x(box), y(box)) : null
    if (!hit || !isHit(target, label, hit)) { // then it is scrolled to
      target.scrollIntoView({ block: "center", inline: "center" })
      box = middle(target)
      hit = document.elementFromPoint(x(box), y(box))
    }
    if (box.width < 1 || box.height < 1) continue
    if (!inside(x(box), y(box))) { found.push(`out of reach: ${words(target)}`); continue }
    if (hit?.closest(FLOATING) && !hit.closest(FLOATING).contains(target)) continue // it goes when one is done with it
    if (!hit || !isHit(target, label, hit)) found.push(`covered by ${hit ? called(hit) : "nothing"}: ${words(target)}`)
    const enough = element.matches(".pin") ? 24 : least // pins lie where they were read, however near
    if (box.width >= enough - 0.6 && box.height >= enough - 0.6) continue
    if (getComputedStyle(target).display === "inline" && target.parentElement.textContent.trim().length > target.textContent.trim().length) continue // in a text
    // What is small to look at may be larger to the finger.
    const reach = enough / 2 - 1
    const large = [[-reach, 0], [reach, 0], [0, -reach], [0, reach]].every(([across, down]) => target.contains(document.elementFromPoint(x(box) + across, y(box) + down)))
    if (!large) found.push(`${Math.round(box.width)} × ${Math.round(box.height)}: ${words(target)}`)
  }
  if (document.documentElement.scrollWidth > innerWidth + 1) found.push(`the page is ${document.documentElement.scrollWidth} wide`)
  for (const element of [document.documentElement, ...modal.querySelectorAll("*")]) if (element.scrollTop || element.scrollLeft) element.scrollTo(0, 0)
  return [...new Set(found)]
})
