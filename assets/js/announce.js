// What is said to those who do not see it: politely, after what is being read, or at once.
// Both regions stand in the page from the beginning, outside what changes.
const PAUSE = 350 // ms: who walks fast by key hears where they came to
let timer = null

function put(id, words) {
  const region = document.getElementById(id)
  if (!region || !words) return
  region.textContent = region.textContent === words ? `${words}\u00a0` : words // the same words once more are news, too
}

export function say(words) {
  clearTimeout(timer)
  put("says", words)
}

export const warn = words => put("warns", words)

// @param {string|Function} words may be asked for when it is time
export function sayLater(words) {
  clearTimeout(timer)
  timer = setTimeout(async () => put("says", typeof words === "function" ? await words() : words), PAUSE)
}
