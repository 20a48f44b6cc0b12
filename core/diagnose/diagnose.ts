/** Why a batch failed, what would tell, what can still be done with it, and what to change. */
import { toEnd } from '../base/run'
import type { BatchRecord } from '../book/record'
import { nextOf, questionOf, type Rescue, type Said, tonightOf } from './remedies'
import { caseOf, type Cause, causesOf, weighCauses } from './weigh'

export interface Diagnosis {
  causes: Cause[]
  question: Said | null
  tonight: Rescue[]
  next: Said[]
}
/** Causes with less than this are not told. */
const TOLD = 0.01

/**
 * Diagnoses a batch; yields the share of the work that is done, so that it can be shown and given up.
 * @throws {InputError} for a formula that the pipeline cannot run
 * @example diagnoseWhole(record).causes[0].share > 0 // true
 */
export function* diagnose(record: BatchRecord): Generator<number, Diagnosis> {
  const weighed = yield* weighCauses(caseOf(record))
  const all = causesOf(weighed)
  const causes = all.filter((c, i) => i === 0 || c.share >= TOLD)
  const best = causes[0]?.best ?? null
  return { causes, question: questionOf(all), tonight: tonightOf(record, best), next: nextOf(record, causes) }
}

/** The same at once. */
export const diagnoseWhole = (record: BatchRecord): Diagnosis => toEnd(diagnose(record))
