/**
 * `npm run --silent read -- FILE… [--answers FILE.json]`: pasted texts in, readings out, as JSON: one file an object,
 * several an array in their order.
 */
import { readFileSync } from 'node:fs'
import { readWithAnswers } from '#core/formats/reader/report'
import { tooLong } from '#core/formats/reader/read'

const USAGE = 'Usage: npm run --silent read -- FILE… [--answers FILE.json]'

function take(file: string): string | null {
  try {
    return readFileSync(file, 'utf8').replace(/^\uFEFF/, '')
  } catch (e) {
    const absent = (e as NodeJS.ErrnoException).code === 'ENOENT'
    console.error(`${file}: ${absent ? 'there is no such file.' : `cannot be read: ${(e as Error).message}.`}`)
    return null
  }
}

/** @returns exit code */
export function main(args: string[]): number {
  const at = args.indexOf('--answers')
  const answersFile = at >= 0 ? args[at + 1] : undefined
  const files = at >= 0 ? [...args.slice(0, at), ...args.slice(at + 2)] : args
  if (files.length === 0 || (at >= 0 && !answersFile)) {
    console.error(USAGE)
    return 1
  }
  let answers: Record<string, unknown> = {}
  if (answersFile) {
    const text = take(answersFile)
    if (text === null) return 1
    try {
      const parsed: unknown = JSON.parse(text)
      if (typeof parsed !== 'object' || parsed === null || Array.isArray(parsed)) throw new Error('it is no object')
      answers = parsed as Record<string, unknown>
    } catch (e) {
      console.error(`${answersFile}: cannot be read as answers: ${(e as Error).message}.`)
      return 1
    }
  }
  const out = []
  for (const file of files) {
    const text = take(file)
    if (text === null) return 1
    const much = tooLong(text)
    if (much) {
      console.error(`${file}: it has ${much.count} ${much.of}; up to ${much.most} are read.`)
      return 1
    }
    out.push(readWithAnswers(text, answers))
  }
  console.log(JSON.stringify(out.length === 1 ? out[0] : out, null, 1))
  return 0
}
