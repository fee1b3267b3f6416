// What is told of the tests of scripts: what failed, and at the end how many there were.
import { inspect } from "node:util"

export default async function* reporter(source) {
  const failed = []
  let passed = 0
  for await (const { type, data } of source) {
    if (type === "test:stdout" || type === "test:stderr") yield data.message
    if (type === "test:pass" && data.details?.type !== "suite") passed++
    if (type === "test:fail") failed.push(data)
  }
  for (const { name, file, line, details } of failed) yield `\nFailed: ${name}\n  ${file}:${line}\n${why(details.error)}\n`
  yield `Scripts: ${passed} passed, ${failed.length} failed\n`
}

const MOST = 2000 // characters of what an assertion has to say
const why = error => inspect(error?.cause ?? error, { depth: 2 }).slice(0, MOST).replace(/^/gm, "  ")
