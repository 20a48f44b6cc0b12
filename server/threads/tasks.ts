/**
 * What is computed off the event loop. Plain data in, plain data out; runs in a worker thread, or anywhere in tests.
 */
import { InputError } from '#core/base/errors'
import { toEnd } from '#core/base/run'
import type { FormulaDocument } from '#core/formula/document'
import type { Occasion } from '#core/formula/occasion'
import type { Kitchen } from '#core/kitchen/kitchen'
import { readWithAnswers } from '#core/formats/reader/report'
import { tooLong } from '#core/formats/reader/read'
import { reportOf } from '#core/formats/report'
import type { ReadHouse } from '#core/formats/reader/read'
import { summariseDessert, type Summary } from '#core/pipeline/summary'
import { demoBatch } from '../database/demoBook'
import { eggsOf } from '../domain/eggs'
import type { BatchRecord } from '#core/book/record'
import { eventsOf } from '#core/book/record'
import { diagnose, type Diagnosis } from '#core/diagnose/diagnose'
import { besideOf, foretold, type OutcomeForetold } from '#core/learn/beside'
import { type Calibration, calibrateSteps } from '#core/learn/calibrate'
import { alongside } from '#core/simulate/alongside'
import type { BatchShown, Simulation } from '../../shared/book'
import { type Watched, watchedRun } from './watched'
import { readStored } from '../domain/stored'
import { readAndPlan } from '../../shared/schemas/day'
import { readDocument } from '../../shared/schemas/formula'
import { inputProblem, type Problem } from '../../shared/schemas/problem'
import { isText, tooMuch } from '../../shared/schemas/shape'
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

export type BodyAnswer = { text: string } | { status: 400 | 422, problem: Problem }

const NOT_JSON: BodyAnswer = { status: 400, problem: { path: '', code: 'notJson', params: {} } }
/** A body as JSON; undefined where it is none. */
function parsed(body: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(body))
  } catch {
    return undefined
  }
}

/** A posted text as read: `{ text, answers? }`, from the body's bytes to the answer's text. */
export function readBody({ body, house }: { body: Uint8Array, house: ReadHouse }): BodyAnswer {
  const input = parsed(body)
  if (input === undefined) return NOT_JSON
  const no = (path: string, code: string, params: Problem['params'] = {}): BodyAnswer =>
    ({ status: 422, problem: { path, code, params } })
  if (!isPlain(input)) return no('', 'typeError', { type: 'object' })
  const { text, answers = {}, ...rest } = input
  const much = tooMuch({ answers, ...rest })
  if (much) return { status: 422, problem: much }
  const unknown = Object.keys(rest)[0]
  if (unknown !== undefined) return no('', 'noUnknown', { unknown: unknown.slice(0, 60) })
  if (typeof text !== 'string') return no('text', text === undefined ? 'missing' : 'typeError', { type: 'string' })
  if (!isText(text)) return no('text', 'badText')
  if (!isPlain(answers)) return no('answers', 'typeError', { type: 'object' })
  const long = tooLong(text)
  if (long) return no('text', 'tooLong', { max: long.most })
  return { text: JSON.stringify(readWithAnswers(text, answers, house)) }
}
const isPlain = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x)

/** A posted document's assessment, from the body's bytes to the answer's text. */
export function assessBody({ body, kitchen }: { body: Uint8Array, kitchen: Kitchen }): BodyAnswer {
  const input = parsed(body)
  if (input === undefined) return NOT_JSON
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

/** The plan of a posted day, from the body's bytes to the answer's text. */
export function dayBody({ body, kitchen }: { body: Uint8Array, kitchen: Kitchen }): BodyAnswer {
  const input = parsed(body)
  if (input === undefined) return NOT_JSON
  const at = (problem: Problem) => ({ status: 422 as const, problem: { ...problem, path: problem.path || 'body' } })
  const much = tooMuch(input)
  if (much) return at(much)
  const result = toEnd(readAndPlan(input, kitchen))
  return result.ok ? { text: JSON.stringify(result.plan) } : at(result.problem)
}

/** What the instruments of the simulated kitchen have written until now, and what would be found if it were opened. */
export const kitchenAlongside = (
  { record, simulation, nowS }: { record: BatchRecord, simulation: Simulation, nowS: number },
) => alongside(record, simulation, nowS)

/** What the Book lists of a batch; a formula that cannot be worked out has no figures. */
export function batchShown({ record }: { record: BatchRecord }): BatchShown {
  const outcome = eventsOf(record.events, 'outcome').at(-1)?.outcome ?? null
  try {
    return { asMeant: outcome?.asMeant ?? null, outcome, beside: besideOf(record, record.kitchen.learned ?? {}) }
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return { asMeant: outcome?.asMeant ?? null, outcome, beside: [] }
  }
}
/** A batch of the demo's Book, by its number. */
export const demoBatchOf = ({ n, at }: { n: number, at: string }) => demoBatch(n, new Date(at))
/** What would be found of it now, as it was made. */
export const batchForetold = ({ record }: { record: BatchRecord }): OutcomeForetold =>
  foretold(record, record.kitchen.learned ?? {})

/** Why a batch failed, while somebody watches how far it is. */
export const diagnoseBatch = (
  { record, watched }: { record: BatchRecord, watched: Watched },
): Diagnosis => watchedRun(diagnose(record), watched)
/** What batches teach of their kitchen, while somebody watches how far it is. */
export const calibrateBatches = (
  { records, watched }: { records: BatchRecord[], watched: Watched },
): Calibration => watchedRun(calibrateSteps(records), watched)
