// The sliders and numbers of a colour model.
import { all } from "./page.js"
import { SHOWN } from "./mix_notations.js"

const TRACK_STOPS = 9

// What moving each thumb would give: CSS mixes it, the press's comes from the server.
// @param {Object} [said] its latest answer
export function tracks(group, values, said) {
  const model = group.dataset.model
  all("input[type=range]", group).forEach((input, index) => {
    const low = Number(input.min), high = Number(input.max)
    const stops = SHOWN[model]
      ? Array.from({ length: TRACK_STOPS }, (_, n) => SHOWN[model](values.map((value, at) => at === index ? low + (high - low) * n / (TRACK_STOPS - 1) : value), ""))
      : said?.tracks[index] ?? ["#999", "#999"]
    input.style.setProperty("--track", `linear-gradient(90deg, ${stops.join(", ")})`)
  })
}

// A model's sliders and numbers, where the latest answer has them.
export function standAt(group, said) {
  if (!group.isConnected || !said) return
  const values = said.channels[group.dataset.model]
  tracks(group, values, said)
  if (!group.contains(document.activeElement)) for (const input of all("input", group)) input.value = values[input.dataset.channel]
  for (const bar of all("[data-range]", group)) {
    const range = said.ranges[group.dataset.model]?.[bar.dataset.range]
    bar.hidden = !range
    if (range) bar.style.inset = `auto ${100 - range[1] * 100}% 0 ${range[0] * 100}%`
  }
}
