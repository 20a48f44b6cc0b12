/** What the commands read from files, and how they say that one cannot be read. */
import { readFileSync } from 'node:fs'
import { documentProblemWords } from '../app/words/problems'
import type { BatchRecord } from '#core/book/record'
import { readBatch } from '../shared/schemas/batch'
import { type Read, readDocument } from '../shared/schemas/formula'

/** Something the command cannot go on from, in words for the one who called it. */
export class Unusable extends Error {}

/** A file as JSON. @throws {Unusable} */
export function jsonOf(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch (e) {
    const isMissing = (e as NodeJS.ErrnoException).code === 'ENOENT'
    throw new Unusable(
      `${file}: ${isMissing ? 'there is no such file.' : `cannot be read as JSON: ${(e as Error).message}.`}`,
    )
  }
}
/** A formula of any version, with occasion and kitchen where they stand beside it. @throws {Unusable} */
export function formulaOf(file: string): Read {
  const result = readDocument(jsonOf(file))
  if (!result.ok) throw new Unusable(`${file}: ${documentProblemWords(result.problem)} [${result.problem.path}]`)
  return result.doc
}

/** A batch's record. @throws {Unusable} */
export function batchOf(file: string): BatchRecord {
  const result = readBatch(jsonOf(file))
  if (!result.ok) throw new Unusable(`${file}: ${documentProblemWords(result.problem)} [${result.problem.path}]`)
  return result.record
}

/** Runs a command; what it cannot go on from is told, and counts as failed. @returns the exit code */
export function run(command: () => void): number {
  try {
    command()
    return 0
  } catch (e) {
    if (!(e instanceof Unusable)) throw e
    console.error(e.message)
    return 1
  }
}
