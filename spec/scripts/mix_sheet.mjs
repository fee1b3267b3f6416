// The Mix sheet without what only some tests need, as it comes from the server.
import { page } from "./window.mjs"

// @param {number} swatch its id
// @param {string} more what else stands in it
export function opened(swatch, hex, more = "") {
  page(`<aside id="mix" data-variable="--swatch-${swatch}" data-was="${hex}" data-panels="/projects/1/mix/panels" data-panel="tints">
    <form class="mix-form"><input id="mix-notation" value="${hex}"><p id="mix-problem"></p><button id="bring-in" type="button" hidden></button>
    <button id="mix-apply" disabled></button></form><b id="mix-hex"></b><i id="mix-name"></i><i id="mix-now"></i><input type="number" data-opacity value="100">
    <input id="nudge-size" value="2"><div id="slice" tabindex="0" data-plane="a_b" data-ranges='{"across":[-100,100],"up":[-100,100]}'><img id="slice-image">
    <i id="slice-mark" hidden></i></div>${more}</aside>`)
  document.dispatchEvent(new CustomEvent("page:shown"))
}

export function closed() {
  page("")
  document.dispatchEvent(new CustomEvent("page:shown"))
}

// What the server says of a colour that lies there in the slice.
export const said = (hex, across = 0, up = 0) => ({ text: JSON.stringify({
  hex, ink: "on-light", inside: true, read: "Lab", name: "Grey", alpha: 1, followers: {}, channels: { oklch: [across, 0.1, 30] }, slice: { across, up, held: 50 }
}) })
