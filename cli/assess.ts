/** `npm run --silent assess -- FILE.json [FILE.json …]`: formula documents in, assessments out, as JSON. */
import { readFileSync } from 'node:fs'
import { reportOf } from '#core/formats/report'
import { InputError } from '#core/base/errors'
import { documentProblemWords } from '../app/words/problems'
import { readDocument } from '../shared/schemas/formula'

/** @returns exit code */
export function main(files: string[]): number {
  if (files.length === 0) {
    console.error('Usage: npm run --silent assess -- FILE.json [FILE.json …]')
    return 1
  }
  const out = []
  for (const file of files) {
    let input: unknown
    try {
      input = JSON.parse(readFileSync(file, 'utf8'))
    } catch (e) {
      console.error(
        `${file}: ${(e as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file.' : `cannot be read as JSON: ${(e as Error).message}.`}`,
      )
      return 1
    }
    const result = readDocument(input)
    if (!result.ok) {
      console.error(`${file}: ${documentProblemWords(result.problem)} [${result.problem.path}]`)
      return 1
    }
    try {
      out.push(reportOf(result.doc))
    } catch (e) {
      if (!(e instanceof InputError)) throw e
      console.error(
        `${file}: ${documentProblemWords({ path: e.path, code: e.code, params: { ...e.params } })} [${e.path}]`,
      )
      return 1
    }
  }
  console.log(JSON.stringify(out.length === 1 ? out[0] : out, null, 1))
  return 0
}
