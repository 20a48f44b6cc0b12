/**
 * What is computed off the event loop. Plain data in, plain data out; runs in a worker thread, or anywhere in tests.
 */
import { InputError } from '#core/base/errors'
import type { FormulaDocument } from '#core/formula/document'
import type { Occasion } from '#core/formula/occasion'
import type { Kitchen } from '#core/kitchen/kitchen'
import { reportOf } from '#core/formats/report'
import { summariseDessert, type Summary } from '#core/pipeline/summary'
import { eggsOf } from '../domain/eggs'
import { readStored } from '../domain/stored'
import { readDocument } from '../../shared/schemas/formula'
import { inputProblem, type Problem } from '../../shared/schemas/problem'
import { tooMuch } from '../../shared/schemas/shape'
import type { EggUse } from '../../shared/schemas/wire'

export interface SummaryJob {
  kitchen: Kitchen
  formulas: { id: string, document: unknown, occasion: unknown }[]
}
export interface Summarised {
  id: string
  summary: Summary | null
  eggs: EggUse | null
  readable: boolean
}

const versionOf = (document: unknown) => (document as { version?: unknown } | null)?.version

/** What the shelf shows of each; one that cannot be read says so and takes nothing else down. */
export function summaries({ kitchen, formulas }: SummaryJob): Summarised[] {
  return formulas.map(({ id, document, occasion }) => {
    try {
      // Whatever version it says it is of, it is read as a stored one.
      const stored = { document: document as FormulaDocument, schemaVersion: Number(versionOf(document)) }
      const planned = readStored(stored, occasion as Occasion | null)
      const eggs = eggsOf(planned.formula)
      try {
        return { id, summary: summariseDessert(planned, kitchen), eggs, readable: true }
      } catch (error) {
        if (error instanceof InputError) return { id, summary: null, eggs, readable: true }
        throw error
      }
    } catch {
      return { id, summary: null, eggs: null, readable: false }
    }
  })
}

export type AssessAnswer = { text: string } | { status: 400 | 422, problem: Problem }

/** A posted document's assessment, from the body's bytes to the answer's text. */
export function assessBody({ body, kitchen }: { body: Uint8Array, kitchen: Kitchen }): AssessAnswer {
  let input: unknown
  try {
    input = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(body))
  } catch {
    return { status: 400, problem: { path: '', code: 'notJson', params: {} } }
  }
  const at = (problem: Problem) => ({
    status: 422 as const,
    problem: { ...problem, path: problem.path ? `document.${problem.path}` : 'document' },
  })
  const much = tooMuch(input)
  if (much) return at(much)
  const read = readDocument(input, kitchen)
  if (!read.ok) return at(read.problem)
  try {
    return { text: JSON.stringify(reportOf(read.doc, kitchen)) }
  } catch (error) {
    if (error instanceof InputError) return at(inputProblem(error))
    throw error
  }
}
