// What touching by finger has in common.

// What is looked at there.
// @returns {Element|null|undefined}
export const viewed = event => event.target.closest?.(".picture-room, .stage-room")?.querySelector(".picture, .stage-drawing")

// What a finger had begun is called off, as where the browser takes it over.
export const callOffTouch = target => target.dispatchEvent(new PointerEvent("pointercancel", { bubbles: true, pointerType: "touch", isPrimary: true }))
