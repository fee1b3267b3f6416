// While an answer is awaited the root says so; if it takes long, a line at the top shows it.
const awaited = new Set()

function mark(change) {
  return event => {
    change(event.detail?.ctx)
    document.documentElement.toggleAttribute("data-waiting", awaited.size > 0)
  }
}

const over = mark(ctx => {
  awaited.delete(ctx)
  for (const other of awaited) if (!other.sourceElement.isConnected) awaited.delete(other) // its own events no longer reach the document
})
document.addEventListener("htmx:before:request", mark(ctx => awaited.add(ctx)))
for (const end of ["htmx:after:swap", "htmx:finally:request", "htmx:error"]) document.addEventListener(end, over)

export const waiting = () => awaited.size > 0
