// A bar, what is being done, and a way to call it off.
export class Progress {
  constructor() {
    this.cancelled = false
    this.element = Object.assign(document.createElement("div"), { className: "progress", role: "status" })
    this.words = document.createElement("p")
    this.bar = document.createElement("i")
    const cancel = Object.assign(document.createElement("button"), { type: "button", textContent: "Cancel" })
    cancel.addEventListener("click", () => {
      this.cancelled = true
      this.onCancel?.()
    })
    this.element.append(this.words, cancel, this.bar)
    document.body.append(this.element)
  }

  say(words) {
    this.words.textContent = words
    this.show(0)
  }

  show(part) {
    this.bar.style.setProperty("--done", part)
  }

  end() {
    this.element.remove()
  }
}
