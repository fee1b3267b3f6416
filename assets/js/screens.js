// Colours from a screen: the browser's own sampler, a grabbed frame, and the practice
// screen, which stands in for both through the same interfaces.
import { find, submit } from "./page.js"
import { PracticeScreen } from "./practice.js"
import { bringIn } from "./drop.js"

const sheet = () => find("#screens")
const AT_ONCE = 300 // milliseconds
const NOTHING = {
  sample: "This browser has no colour sampler. Grab a screen instead, or use the practice screen.",
  grab: "This browser cannot take a picture of a screen here. Paste or drop a screenshot instead, or use the practice screen."
}

document.addEventListener("click", event => {
  const button = event.target.closest?.("[data-screens], [data-sample], [data-grab]")
  if (!button) return
  if ("screens" in button.dataset) return open()
  const practice = (button.dataset.sample ?? button.dataset.grab) === "practice"
  "sample" in button.dataset ? sample(practice) : grab(practice)
})

// What a browser does not offer is said, not offered.
function open() {
  allow("sample", "EyeDropper" in window)
  allow("grab", Boolean(navigator.mediaDevices?.getDisplayMedia))
  sheet().showModal()
}

function allow(way, possible, why = NOTHING[way]) {
  say(way, possible ? "" : why)
  find(`[data-way=${way}] [data-${way}]`, sheet()).hidden = !possible
}

function say(way, text) {
  const words = find(`[data-way=${way}] .why`, sheet())
  words.hidden = !text
  words.textContent = text
}

// One press after the other until Esc.
async function sample(practice) {
  sheet().close()
  const sampler = practice ? new PracticeScreen(sheet().dataset.desk) : new window.EyeDropper()
  const began = performance.now()
  let taken = 0
  try {
    for (;;) {
      const { sRGBHex } = await sampler.open()
      taken++
      keep(sRGBHex)
    }
  } catch (error) {
    // One that gives up before anybody could press Esc has no screen to look at.
    if (taken || error.name === "AbortError" && performance.now() - began > AT_ONCE) return
    open()
    allow("sample", false, `The browser's sampler could not look at the screen (${error.message || error.name}). Grab a screen instead, or use the practice screen.`)
  } finally {
    sampler.close?.()
  }
}

// The find is made in the page behind, so that the hand shows it.
function keep(colour) {
  const form = find("#sample")
  form.elements.colour.value = colour
  form.elements.group.value = find("#keep-group")?.value ?? ""
  submit(form)
}

async function grab(practice) {
  if (!practice) say("grab", "Pick a screen, a window or a tab in the list that the browser shows. If none appears, it cannot: use the practice screen, or paste a screenshot.")
  try {
    const stream = practice ? await new PracticeScreen(sheet().dataset.desk).capture() : await navigator.mediaDevices.getDisplayMedia({ video: true, audio: false })
    const file = await frameOf(stream)
    sheet().close()
    bringIn([file], { as: "screen" })
  } catch (error) {
    if (error.name === "NotAllowedError") return say("grab", "") // the person said no
    allow("grab", false, `The screen could not be taken (${error.message || error.name}). Paste or drop a screenshot instead, or use the practice screen.`)
  }
}

// The first whole frame of a stream, as a PNG file.
async function frameOf(stream) {
  const video = Object.assign(document.createElement("video"), { srcObject: stream, muted: true, playsInline: true })
  await video.play()
  await new Promise(resolve => video.requestVideoFrameCallback ? video.requestVideoFrameCallback(resolve) : setTimeout(resolve, 200))
  const canvas = Object.assign(document.createElement("canvas"), { width: video.videoWidth, height: video.videoHeight })
  canvas.getContext("2d").drawImage(video, 0, 0)
  for (const track of stream.getTracks()) track.stop()
  const now = new Date(), two = number => String(number).padStart(2, "0")
  const name = `Screen ${two(now.getHours())}.${two(now.getMinutes())}.${two(now.getSeconds())}.png`
  return new Promise((resolve, reject) => canvas.toBlob(blob => blob ? resolve(new File([blob], name, { type: "image/png" })) : reject(new Error("the frame is empty")), "image/png"))
}
