import assert from "node:assert/strict"
import { beforeEach, test } from "node:test"
import { $, page, script, Server, soon, whole } from "./window.mjs"

page("<main></main>", { path: "/projects/1/dress?tool=pick" })
const { getPage, here, sendActions, sendFiles } = await script("sending.js")

let server
beforeEach(() => {
  server = new Server()
  page("<main></main>", { path: "/projects/1/dress?tool=pick" })
})
const send = () => sendActions({ at: here(), actions: [] })

test("an answer is what it holds", async () => {
  server.will({ text: '{"at":"/x"}' })
  assert.deepEqual(await send(), { ok: { at: "/x" } })
})

test("no answer, and those that say later, are asked again by whoever called", async () => {
  server.will({ lost: true }, { status: 502 }, { status: 504 }, { status: 503, text: "One before you" }, { status: 503, text: `<html>${"x".repeat(400)}` })
  for (const words of ["", "", "", "One before you", ""]) assert.deepEqual(await send(), { later: true, words })
})

test("a lost session is renewed once, with the token that a page brings", async () => {
  server.will({ status: 403 }, { text: whole("").replace("token-1", "token-2") }, { text: "{}" })
  assert.deepEqual(await send(), { ok: {} })
  assert.deepEqual(server.asked.map(({ address, headers }) => [address, headers["X-CSRF-Token"]]), [["/actions", "token-1"], ["/projects/1/dress?tool=pick", undefined], ["/actions", "token-2"]])
  assert.equal($("[name=authenticity_token]").value, "token-2")
})

test("a session that cannot be renewed is said", async () => {
  server.will({ status: 403 }, { lost: true })
  assert.match((await send()).refused, /session is lost/)
  server.will({ status: 403 }, { text: whole("") }, { status: 403 })
  assert.match((await send()).refused, /session is lost/)
})

test("a refusal is its words, and what is no answer of ours is not shown", async () => {
  server.will({ status: 422, text: '{"error":"red is 300"}' }, { status: 413, text: "This file is too large" }, { status: 500, text: "<html>trace</html>" }, { status: 200, text: "null" })
  assert.equal((await send()).refused, "red is 300")
  assert.equal((await send()).refused, "This file is too large")
  assert.equal((await send()).refused, "The server gave an answer (500) that cannot be read. Nothing was changed")
  assert.ok("refused" in await send())
})

test("a page tells where it is, also where it was led elsewhere", async () => {
  server.will({ text: whole("<main>x</main>"), at: "/projects/1/palettes?swatch=3" })
  const found = await getPage("/projects/1/dress", "tools hand")
  assert.deepEqual([found.at, found.text.includes("<main>x</main>"), server.asked[0].headers["X-Parts"]], ["/projects/1/palettes?swatch=3", true, "tools hand"])
})

test("what is no page is refused in words, and one that is called off is nothing", async () => {
  server.will({ text: "no page" }, { lost: true })
  assert.deepEqual(await getPage("/x"), { refused: "no page" })
  assert.match((await getPage("/x")).refused, /does not answer/)
  const asking = new AbortController()
  server.will(async () => { asking.abort(); return { text: "" } })
  assert.equal(await getPage("/x", undefined, asking.signal), null)
})

test("files are told as they go, and calling them off says what became of them", async () => {
  let request
  globalThis.XMLHttpRequest = class {
    upload = {}
    constructor() { request = this }
    open() {}
    setRequestHeader() {}
    send() {}
    abort() { this.onabort() }
  }
  const files = new FormData(), told = [], progress = { show: part => told.push(part), say: words => told.push(words) }
  files.set("once", "key-1")
  const answer = sendFiles("/actions?path=%2Fsources", files, progress)
  request.upload.onprogress({ loaded: 1, total: 4 })
  request.upload.onload()
  server.will({ text: '{"off":false}' })
  progress.onCancel()
  assert.deepEqual([await answer, told], [{ refused: "It had come in already. Undo takes it back" }, [0.25, "Reading what came"]])
  assert.deepEqual(Object.fromEntries(server.asked[0].body), { path: "/sources", form: "key-1" })
  const lost = sendFiles("/actions?path=%2Fsources", files, progress)
  request.onerror()
  assert.deepEqual(await lost, { later: true, words: "" })
  await soon()
})
