// What is cut, out of reach, covered or too small in the window as it is, in words.
(coarse => {
  const seen = element => element.checkVisibility({ visibilityProperty: true, opacityProperty: false }) && !element.closest(".sr-only, dialog:not([open]), [hidden], .skips")
  const called = element => `${element.localName}${element.id ? `#${element.id}` : ""}${element.getAttribute("class") ? `.${element.getAttribute("class").trim().split(/\s+/)[0]}` : ""}`
  const words = element => `${called(element.parentElement)} > ${called(element)} “${(element.textContent || element.ariaLabel || element.title || element.name || "").trim().replace(/\s+/g, " ").slice(0, 40)}”`
  const modal = document.querySelector("dialog[open]") ?? document.body
  const found = []

  // Text that something clips, unless it ends in an ellipsis and is told whole in a title.
  const lines = document.createTreeWalker(modal, NodeFilter.SHOW_TEXT)
  while (lines.nextNode()) {
    const node = lines.currentNode, parent = node.parentElement
    if (!node.data.trim() || !seen(parent) || parent.closest("svg, select, textarea, [data-drawing]")) continue
    const range = document.createRange()
    range.selectNodeContents(node)
    const box = range.getBoundingClientRect()
    if (box.width < 1) continue
    let across = true, down = true
    for (let around = parent; around && (across || down); around = around.parentElement) {
      const style = getComputedStyle(around), at = around.getBoundingClientRect(), root = around === document.body
      const edge = root ? { left: 0, top: 0, right: innerWidth, bottom: innerHeight } : at
      if (style.overflowX === "auto" || style.overflowX === "scroll") across = false
      if (style.overflowY === "auto" || style.overflowY === "scroll") down = false
      const clipsX = style.overflowX === "hidden" || style.overflowX === "clip", clipsY = style.overflowY === "hidden" || style.overflowY === "clip"
      const wide = across && clipsX && (box.right > edge.right + 1.5 || box.left < edge.left - 1.5)
      const tall = down && clipsY && (box.bottom > edge.bottom + 3 || box.top < edge.top - 3)
      if (wide || tall) {
        const shortened = style.textOverflow === "ellipsis" && wide && !tall || style.webkitLineClamp !== "none"
        if (!shortened) found.push(`cut by ${called(around)}: ${words(parent)}`)
        else if (!parent.closest("[title]") && !around.querySelector("[title]")) found.push(`shortened and told nowhere: ${words(parent)}`)
        break
      }
      if (around.matches("a, button, summary, label") && style.display !== "inline" && box.right > at.right + 2.5) {
        found.push(`runs out by ${Math.round(box.right - at.right)}: ${words(parent)}`)
        break
      }
      if (style.position === "fixed") break
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
  for (const element of [...kinds.values()].flatMap(some)) {
    const label = element.matches("input[type=radio], input[type=checkbox], input[type=file]") ? element.closest("label") : null
    const target = label ?? element
    target.scrollIntoView({ block: "center", inline: "center" })
    const box = target.getBoundingClientRect(), x = box.x + box.width / 2, y = box.y + box.height / 2
    if (box.width < 1 || box.height < 1) continue
    if (x < 0 || y < 0 || x > innerWidth || y > innerHeight) { found.push(`out of reach: ${words(target)}`); continue }
    const hit = document.elementFromPoint(x, y)
    if (hit?.closest(FLOATING) && !hit.closest(FLOATING).contains(target)) continue // it goes when one is done with it
    if (!hit || !(target.contains(hit) || hit.contains(target) && !hit.matches("a, button") || hit.closest("label") === label && label)) found.push(`covered by ${hit ? called(hit) : "nothing"}: ${words(target)}`)
    const inText = getComputedStyle(target).display === "inline" && target.parentElement.textContent.trim().length > target.textContent.trim().length
    // What is small to look at may be larger to the finger.
    const enough = element.matches(".pin") ? 24 : least // pins lie where they were read, however near
    const reach = enough / 2 - 1
    const large = [[-reach, 0], [reach, 0], [0, -reach], [0, reach]].every(([across, down]) => target.contains(document.elementFromPoint(x + across, y + down)))
    if (!inText && !large && (box.width < enough - 0.6 || box.height < enough - 0.6)) found.push(`${Math.round(box.width)} × ${Math.round(box.height)}: ${words(target)}`)
  }
  if (document.documentElement.scrollWidth > innerWidth + 1) found.push(`the page is ${document.documentElement.scrollWidth} wide`)
  for (const element of [document.documentElement, ...modal.querySelectorAll("*")]) if (element.scrollTop || element.scrollLeft) element.scrollTo(0, 0)
  return [...new Set(found)]
})
