// The slice of Mix, and the mark in it of where the colour stands.
import { find } from "./page.js"
import { pressing } from "./waiting.js"

const SELDOM = 250 // ms between planes while something is dragged

// The plane is drawn by the server; it only changes with what is held.
let drawn = 0
// @param {Object} at held, across and up
export function slice(at) {
  const frame = find("#slice"), image = find("#slice-image"), mark = find("#slice-mark")
  const address = `/slice.png?plane=${frame.dataset.plane}&held=${at.held}`
  if (image.getAttribute("src") !== address && !(pressing() && performance.now() - drawn < SELDOM) && !frame.matches("[data-dragged]")) {
    image.src = address
    drawn = performance.now()
  }
  mark.hidden = false
  putMark(at.across, at.up)
}

// @param {number} across, up 0..1
export function putMark(across, up) {
  const { style } = find("#slice-mark")
  style.setProperty("--across", `${across * 100}%`)
  style.setProperty("--up", `${(1 - up) * 100}%`)
}
