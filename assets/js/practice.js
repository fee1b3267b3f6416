// The practice screen: an invented desk that behaves as a browser's screen does. It
// has the two interfaces that screens are read through: open() gives one sample
// (like EyeDropper), capture() gives a stream of pictures (like getDisplayMedia).
import { toHex } from "./pixels.js"

const WIDTH = 1280
const HEIGHT = 800

export class PracticeScreen {
  // @param {string} desk the address of its picture
  constructor(desk) {
    this.desk = desk
    this.canvas = Object.assign(document.createElement("canvas"), { width: WIDTH, height: HEIGHT, tabIndex: 0, role: "application", ariaLabel: "The practice screen. Press anywhere to sample; arrow keys and Enter work too." })
    this.context = this.canvas.getContext("2d", { willReadFrequently: true })
    this.words = Object.assign(document.createElement("p"), { className: "practice-say", ariaHidden: "true" })
    this.live = Object.assign(document.createElement("p"), { className: "sr-only", ariaLive: "polite" }) // what lies outside a window is not heard
    this.dialog = Object.assign(document.createElement("dialog"), { id: "practice", ariaLabel: "The practice screen" })
    this.dialog.append(this.canvas, this.words, this.live)
    this.at = { x: WIDTH / 2, y: HEIGHT / 2 }
  }

  async draw() {
    this.picture ??= Object.assign(new Image(), { src: this.desk })
    await this.picture.decode()
    this.context.drawImage(this.picture, 0, 0, WIDTH, HEIGHT)
  }

  // @returns {Promise<{sRGBHex: string}>} rejected with AbortError on Esc
  async open() {
    if (!this.dialog.open) {
      await this.draw()
      document.body.append(this.dialog)
      this.dialog.showModal()
      this.canvas.focus()
      this.say("Press anywhere to sample. Esc ends it.")
    }
    return new Promise((resolve, reject) => {
      const stop = new AbortController(), listen = (type, run) => this.dialog.addEventListener(type, run, { signal: stop.signal })
      const take = () => {
        stop.abort()
        this.say(`Taken ${this.colour()}. Press again for more, Esc ends it.`)
        resolve({ sRGBHex: this.colour() })
      }
      listen("pointermove", event => this.look(event))
      listen("pointerdown", event => {
        this.look(event)
        take()
      })
      listen("keydown", event => this.key(event, take))
      listen("cancel", event => {
        event.preventDefault()
        stop.abort()
        reject(new DOMException("ended", "AbortError"))
      })
    })
  }

  close() {
    this.dialog.remove()
  }

  // @returns {Promise<MediaStream>} it goes on until its track is stopped
  async capture() {
    await this.draw()
    const stream = this.canvas.captureStream(0), [track] = stream.getVideoTracks()
    const again = setInterval(() => {
      if (track.readyState === "ended") return clearInterval(again)
      this.draw()
      track.requestFrame()
    }, 60)
    return stream
  }

  look(event) {
    const box = this.canvas.getBoundingClientRect()
    const within = (value, side) => Math.min(Math.max(Math.floor(value * side), 0), side - 1)
    this.at = { x: within((event.clientX - box.left) / box.width, WIDTH), y: within((event.clientY - box.top) / box.height, HEIGHT) }
    this.say(`${this.colour()} under the pointer. Press to take it, Esc ends it.`)
  }

  key(event, take) {
    const step = event.shiftKey ? 10 : 1
    const move = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key]
    if (event.key === "Enter") return take()
    if (!move) return
    event.preventDefault()
    this.at = { x: Math.min(Math.max(this.at.x + move[0], 0), WIDTH - 1), y: Math.min(Math.max(this.at.y + move[1], 0), HEIGHT - 1) }
    this.say(`${this.colour()} at ${this.at.x}, ${this.at.y}. Enter takes it, Esc ends it.`)
  }

  colour() {
    const [r, g, b] = this.context.getImageData(this.at.x, this.at.y, 1, 1).data
    return toHex(`rgb(${r} ${g} ${b})`)
  }

  say(words) {
    this.words.textContent = words
    clearTimeout(this.timer)
    this.timer = setTimeout(() => { this.live.textContent = words }, 350) // ms: who walks fast hears where they came to
  }
}
